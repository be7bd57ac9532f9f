import type { Answer } from '../../core/procedures/step.ts'
import { Sheet } from '../../ui/Sheet.tsx'

interface Props {
  answer: Answer
  /** For which time the stretch would be done. */
  time: number
  onAgain: () => void
  onClose: () => void
}

/** Before a stretch is done again: why, what comes first, and that it is meant. */
export function RepeatSheet({ answer, time, onAgain, onClose }: Props) {
  return (
    <Sheet open onOpenChange={onClose} title={answer.words} about={answer.because ?? 'That stretch once more.'}>
      <div className="flex flex-col gap-3">
        <button type="button" className="act min-h-[72px] text-[20px]" onClick={onAgain}>
          Once more{time > 2 ? `, time ${time}` : ''}
        </button>
        <button
          type="button"
          className="min-h-[64px] border-2 border-deep bg-field px-4 text-[18px] font-semibold"
          onClick={onClose}
        >
          No: look again
        </button>
      </div>
    </Sheet>
  )
}
