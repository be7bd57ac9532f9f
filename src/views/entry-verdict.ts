import type { Issue } from '../core/parse/parse-strict.ts'

/** What became of one entry of a batch. */
export type EntryVerdict =
  | { id: string; verdict: 'saved' }
  /** The same entry was there already: a retry, and a success. */
  | { id: string; verdict: 'already' }
  /** The id is taken by another entry. Nothing of its visit was written. */
  | { id: string; verdict: 'conflict'; issues: Issue[] }
  /** It cannot be written as it is. Nothing of its visit was written. */
  | { id: string; verdict: 'refused'; issues: Issue[] }
  /** Nothing wrong with it, but its visit was not written because of another. */
  | { id: string; verdict: 'held' }

/** Somebody wrote to the same machine after the form was opened: nothing was written, here is what they wrote. */
export interface WrittenSince {
  seq: number
  by: string
  recordedAt: string
  said: string[]
}

export interface EntriesAnswer {
  verdicts: EntryVerdict[]
  seq: number
  writtenSince?: WrittenSince[]
}
