import type { ImportWhat } from '../core/files/import-columns.ts'
import type { ImportState } from '../core/files/import-spec.ts'

/** One list that was brought in. */
export interface ImportRow {
  id: string
  what: ImportWhat
  fileName: string
  by: string
  askedAt: string
  state: ImportState
  /** Rows of the file, and how many are dealt with. */
  rows: number
  done: number
  problem?: string
  /** Rows by what became of them. */
  verdicts: Record<string, number>
}

/** One of them whole: what was made of it, and what has been built upon that since. */
export interface ImportPage extends ImportRow {
  made: { records: Record<string, number>; filled: number; entries: number }
  /** What stays if it is taken back now, because something else hangs on it. */
  builtUpon: { kind: string; id: string; name: string; by: string }[]
  refused: { row: number; verdict: string; reason: string }[]
  takenBackBy?: string
  /** Whether whoever looks may take it back. */
  mayTakeBack: boolean
}
