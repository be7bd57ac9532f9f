import type { ReactNode } from 'react'
import type { Lane } from '../../core/procedures/lane.ts'

interface Props {
  lane: Lane | null
  /** Which of its steps it is at, counted from one. */
  stepNo: number
  /** What is called where no lane wants hands. */
  otherwise: string
  place: [machine: string, site: string]
  /** Nothing is kept on this device. */
  lost: boolean
  muted: boolean
  onMute: () => void
  onLeave: () => void
  /** The path, on a desk. */
  children: ReactNode
}

/** What is being done and where; the way out, and the sound. */
export function RunHead({ lane, stepNo, otherwise, place, lost, muted, onMute, onLeave, children }: Props) {
  return (
    <header className="flex items-stretch gap-4 border-b border-hair bg-page px-4 lg:h-[112px] lg:px-6">
      <div className="flex min-w-0 flex-1 flex-col justify-center lg:max-w-[420px]">
        <h1 className="m-0 text-[clamp(18px,2vw,25px)] leading-tight font-[620]">{lane?.title ?? otherwise}</h1>
        <p className="m-0 text-[15px] text-second">
          {place[0]}
          <span className="max-md:hidden">, {place[1]}</span>.{lane && ` Step ${stepNo} of ${lane.steps.length}`}
        </p>
        {lost && (
          <p role="status" className="m-0 text-[14px] font-semibold text-seal-ink">
            This device keeps nothing: do not close the page.
          </p>
        )}
      </div>
      <div className="min-w-0 flex-1 max-lg:hidden">{children}</div>
      <div className="flex shrink-0 items-center gap-4">
        <button
          type="button"
          className="min-h-[64px] min-w-[64px] text-[16px] font-semibold underline decoration-copper decoration-[1.5px] underline-offset-4"
          onClick={onLeave}
        >
          Leave
        </button>
        <button
          type="button"
          className="min-h-[64px] min-w-[64px] text-[15px] leading-tight text-second"
          aria-pressed={muted}
          onClick={onMute}
        >
          {muted ? 'sound is off' : 'sound is on'}
        </button>
      </div>
    </header>
  )
}
