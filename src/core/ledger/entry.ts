import type { LocalDay } from '../quantity/local-day.ts'
import type { EntryKind, Jotting } from './entry-kinds.ts'
import type { SubjectKind } from './subject.ts'
import type { ReceivedBody } from './versions.ts'

/** What every line of the ledger carries, whatever it says. */
export interface Envelope {
  /** UUIDv7, made where the entry is made. */
  id: string
  subjectKind: SubjectKind
  subjectId: string
  visitId?: string
  /** Instant, ISO 8601 UTC. */
  happenedAt: string
  /** The site's local day. */
  happenedOn: LocalDay
  /** The entry this one corrects or withdraws. */
  supersedes?: string
}

/** What the ledger adds when it keeps a line. */
export interface Kept {
  recordedAt: string
  recordedBy: string
  /** Where it came from when nobody here wrote it: another firm's passport, a spreadsheet. */
  origin?: string
  /** How far the writer knew the ledger, where it was written without network: what others wrote after that was not known. */
  knownSeq?: number
  seq: number
}

/** One line of the ledger in today's words, told apart by its kind: it is never changed, only superseded. */
export type Entry = Envelope & Jotting
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>

/** An entry as the ledger keeps it, in today's words. */
export type RecordedEntry = Entry & Kept
export type RecordedEntryOf<K extends EntryKind> = Extract<RecordedEntry, { kind: K }>

/** An entry as a device, a file or an earlier version wrote it. */
export interface ReceivedEntry extends Envelope {
  kind: EntryKind
  body: ReceivedBody
}

export type KeptEntry = ReceivedEntry & Kept
