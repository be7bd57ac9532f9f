import { useState } from 'react'
import type { RecordedEntry } from '../../core/ledger/entry.ts'
import { dayLong, figure } from '../../ui/format.ts'
import type { LeftOut, MachineBundle } from '../../views/machine-bundle.ts'

export interface WholeHistory {
  /** All of it, once it was fetched. */
  whole: RecordedEntry[] | null
  /** What is not here yet; null where all is. */
  leftOut: LeftOut | null
  state: 'here' | 'fetching' | 'failed'
  fetchIt: () => Promise<void>
}

/** A machine's long past, which is fetched when somebody wants to read it. */
export function useWholeHistory({ machine, leftOut, seq }: MachineBundle): WholeHistory {
  const [fetched, setFetched] = useState<{ entries: RecordedEntry[]; seq: number } | null>(null)
  const [state, setState] = useState<WholeHistory['state']>('here')
  // What was written since would be missing in it.
  const whole = fetched?.seq === seq ? fetched.entries : null
  const fetchIt = async () => {
    setState('fetching')
    try {
      const response = await fetch(`/api/machines/${machine.id}/history`)
      if (!response.ok) throw new Error(String(response.status))
      setFetched({ entries: await response.json(), seq })
      setState('here')
    } catch {
      setState('failed')
    }
  }
  return { whole, leftOut: whole ? null : leftOut, state, fetchIt }
}

/** Says what of a ledger is not here, and brings it. */
export function EarlierEntries({ past, leftOut }: { past: WholeHistory; leftOut: LeftOut }) {
  return (
    <div className="mt-2 border-t border-hair py-2">
      <p className="m-0 text-[13px] text-second">
        From before {dayLong(leftOut.before)} only what the dates are reckoned from is here: of the counter one reading
        a month, of work done again and again the last, no notes, no visits.
      </p>
      <button type="button" className="plain mt-1" disabled={past.state === 'fetching'} onClick={past.fetchIt}>
        {past.state === 'fetching' ? 'Fetching them …' : `Fetch the other ${figure(leftOut.entries)} entries`}
      </button>
      {past.state === 'failed' && (
        <p role="alert" className="m-0 text-[14px] text-seal">
          They could not be fetched. Try again where there is signal.
        </p>
      )}
    </div>
  )
}
