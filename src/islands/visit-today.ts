import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'

/** The call at this machine's site that its technician already has on record today: what is done hangs on it. */
export const visitToday = (bundle: MachineBundle, today: string, me: string): RecordedEntry | undefined =>
  (bundle.ledgers.site ?? []).find(
    (entry) => entry.kind === 'visit' && entry.happenedOn === today && entry.recordedBy === me,
  )
