import { counted } from '../../ui/format.ts'
import { Key } from '../../ui/Key.tsx'
import { later } from '../../ui/later.tsx'
import type { WrittenSince } from '../../views/entry-verdict.ts'

const OthersWrote = later(() => import('./OthersWrote.tsx').then((module) => module.OthersWrote))

interface Props {
  machineId: string
  /** What others wrote since the form was opened. */
  others: WrittenSince[]
  problem: string
  busy: boolean
  /** How many entries it comes to. */
  lines: number
  /** Saved all the same. */
  onSave: () => void
}

/** The foot of the form: what stands in the way of saving, and the button. */
export function SavingPart({ machineId, others, problem, busy, lines, onSave }: Props) {
  return (
    <>
      {others.length > 0 && <OthersWrote machineId={machineId} others={others} onSave={onSave} />}
      {problem && (
        <p role="alert" className="m-0 mt-3 border-l-4 border-seal pl-3 font-semibold text-seal-ink">
          {problem}
        </p>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-2">
        <button type="submit" className="act min-h-[48px] text-[17px]" disabled={busy}>
          {busy ? 'Saving …' : 'Save the entry'}
        </button>
        <span className="text-[14px] text-second">{counted(lines, 'line')} for the ledger</span>
        <span className="hidden gap-3 text-[13px] text-second md:flex">
          <span>
            <Key>Tab</Key> next
          </span>
          <span>
            <Key>Enter</Key> save
          </span>
          <span>the draft stays on this device</span>
        </span>
      </div>
    </>
  )
}
