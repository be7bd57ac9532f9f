import type { LocalDay } from '../quantity/local-day.ts'
import type { EntryKind } from './entry-kinds.ts'
import type { SubjectKind } from './subject.ts'

/** One line of the ledger, as made on a device: it is never changed, only superseded. */
export interface Entry {
  /** UUIDv7, made where the entry is made. */
  id: string
  subjectKind: SubjectKind
  subjectId: string
  visitId?: string
  kind: EntryKind
  /** Instant, ISO 8601 UTC. */
  happenedAt: string
  /** The site's local day. */
  happenedOn: LocalDay
  /** As received, with its version `v`. */
  body: Record<string, unknown>
  /** The entry this one corrects or withdraws. */
  supersedes?: string
}

/** An entry as the ledger keeps it. */
export interface RecordedEntry extends Entry {
  recordedAt: string
  recordedBy: string
  /** Where it came from when nobody here wrote it: another firm's passport, a spreadsheet. */
  origin?: string
  seq: number
}
