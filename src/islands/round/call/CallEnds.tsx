import { Key } from '../../../ui/Key.tsx'
import type { CallMoment } from '../../../views/call-page.ts'
import { putWords } from './call-words.ts'

interface Props {
  moment: CallMoment | null
  busy: boolean
  /** A time is promised; else the day alone. */
  promised: boolean
  canPut: boolean
  /** What must stop was asked. */
  isAsked: boolean
  canSolve: boolean
  isRungBack: boolean
  onPromised: (promised: boolean) => void
  onPut: (step: 'agreed' | 'asked') => void
  onSolved: () => void
  onRingBack: () => void
  onDone: () => void
}

/** How a call ends: a visit, solved, to be rung back. */
export function CallEnds(props: Props) {
  const { moment, busy, promised, canPut, isAsked, canSolve, isRungBack } = props
  const from = moment && (moment.joins?.promised ?? moment.promise)
  return (
    <section
      aria-label="How it ends"
      className="sticky bottom-0 mt-auto flex flex-col gap-2 border-t border-hair bg-page px-4 py-3"
    >
      {moment && canPut && (
        <>
          <label className="flex min-h-[44px] items-center gap-3 text-[15px]">
            <input
              type="checkbox"
              className="h-5 w-5 shrink-0"
              checked={promised || moment.joins?.promised !== undefined}
              disabled={moment.joins?.promised !== undefined}
              onChange={(event) => props.onPromised(event.target.checked)}
            />
            <span>
              They are told <b className="mono font-semibold">{from}</b>
              <span className="text-second">, and wait half an hour; else the day alone</span>
            </span>
          </label>
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="act min-h-[52px] flex-1 text-[17px]"
              disabled={busy}
              onClick={() => props.onPut('agreed')}
            >
              {putWords(moment)} <Key>Enter</Key>
            </button>
            {moment.joins?.state !== 'agreed' && (
              <button type="button" className="plain min-h-[52px]" disabled={busy} onClick={() => props.onPut('asked')}>
                Asked, they will say
              </button>
            )}
          </div>
        </>
      )}
      {!isAsked && (
        <p className="m-0 text-[14px] text-second">First what they say, and what must stop: then a moment is put in.</p>
      )}
      <div className="flex flex-wrap gap-2">
        {canSolve && (
          <button type="button" className="plain min-h-[48px] flex-1" disabled={busy} onClick={props.onSolved}>
            Solved on the telephone
          </button>
        )}
        <button type="button" className="plain min-h-[48px] flex-1" disabled={busy} onClick={props.onRingBack}>
          Note it, ring back
        </button>
        {isRungBack && (
          <button type="button" className="plain min-h-[48px] flex-1" disabled={busy} onClick={props.onDone}>
            Rung, nothing more to do
          </button>
        )}
      </div>
    </section>
  )
}
