import type { Issue } from '../core/parse/parse-strict.ts'
import type { EntriesAnswer } from '../views/entry-verdict.ts'

/** What became of a save. */
export type Sent =
  | { ok: true; answer: EntriesAnswer }
  /** It waits on this device, and is sent by itself. */
  | { ok: true; waits: true }
  | { ok: false; why: 'refused'; issues: (Issue & { entryId: string })[] }
  | { ok: false; why: 'written-since'; answer: EntriesAnswer }
  | { ok: false; why: 'signed-out' | 'offline'; message: string }
