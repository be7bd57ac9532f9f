import type { Kind } from '../../core/kinds/kind.ts'
import type { Lane } from '../../core/procedures/lane.ts'
import type { RunPress } from '../../core/procedures/run.ts'
import type { RunState } from '../../core/procedures/run-state.ts'
import type { Answer, Step } from '../../core/procedures/step.ts'
import { timesAgain } from './again.ts'
import { FittedSheet } from './FittedSheet.tsx'
import { ReasonSheet } from './ReasonSheet.tsx'
import { RepeatSheet } from './RepeatSheet.tsx'

/** What a run asks before it goes on. */
export type RunAsks =
  | { what: 'skip' | 'leave' }
  | { what: 'fit'; parts: string[]; answer?: string }
  | { what: 'repeat'; answer: Answer }

interface Props {
  asking: RunAsks | null
  kind: Kind
  lane: Lane | null
  step: Step | null
  state: RunState
  press: (event: RunPress) => void
  onAsk: (asking: RunAsks | null) => void
  onThrowAway: () => void
}

/** The question that is open, if one is. */
export function RunQuestions({ asking, kind, lane, step, state, press, onAsk, onThrowAway }: Props) {
  return (
    <>
      {asking?.what === 'skip' && (
        <ReasonSheet
          title="Skip this step"
          about="It stays on record that it was not done, and why."
          reasons={['Not needed here', 'No tool for it', 'No time', 'The customer does it']}
          act="Skip it"
          onClose={() => onAsk(null)}
          onReason={(reason) => {
            onAsk(null)
            press({ type: 'skip', reason })
          }}
        />
      )}
      {asking?.what === 'repeat' && (
        <RepeatSheet
          answer={asking.answer}
          time={(lane ? timesAgain(lane, state, step?.id) : 0) + 2}
          onAgain={() => {
            onAsk(null)
            press({ type: 'done', answer: asking.answer.id })
          }}
          onClose={() => onAsk(null)}
        />
      )}
      {asking?.what === 'fit' && (
        <FittedSheet
          kind={kind}
          parts={asking.parts}
          place={lane?.group ?? lane?.side ?? null}
          onKeep={(fitted) => {
            onAsk(null)
            press({ type: 'done', fitted, ...(asking.answer && { answer: asking.answer }) })
          }}
          onClose={() => onAsk(null)}
        />
      )}
      {asking?.what === 'leave' && (
        <ReasonSheet
          title="Leave the run"
          about="To come back to it, just close this page: it is kept here and its timers go on. Ended here, it is written as far as it came."
          reasons={['The machine is needed', 'A part is missing', 'Called away']}
          act="End it here"
          {...(nothingDone(state) && { away: { words: 'Begun by mistake: throw it away', onAway: onThrowAway } })}
          onClose={() => onAsk(null)}
          onReason={(reason) => {
            onAsk(null)
            press({ type: 'leave', reason })
          }}
        />
      )}
    </>
  )
}

/** Nothing has been done yet that anybody would want on record. */
const nothingDone = ({ records }: RunState): boolean => records.every(({ how }) => how === 'taken back')
