import type { RecordedEntry } from '../core/ledger/entry.ts'
import { appointmentsStanding } from '../core/visits/appointments.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'

/** The call at this machine's site that its technician already has on record today: what is done hangs on it. */
export const visitToday = (bundle: MachineBundle, today: string, me: string): RecordedEntry | undefined =>
  (bundle.ledgers.site ?? []).find(
    (entry) => entry.kind === 'visit' && entry.happenedOn === today && entry.recordedBy === me,
  )

/** The id the call of today has: of what is on record, else of the visit that was arranged for me. */
export const visitIdToday = (bundle: MachineBundle, today: string, me: string): string | undefined =>
  visitToday(bundle, today, me)?.visitId ??
  appointmentsStanding(bundle.ledgers.site ?? []).find(
    ({ last: { body } }) => body.on === today && body.technicianId === me,
  )?.visitId
