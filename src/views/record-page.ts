import type { Kept, RecordKind } from '../core/firm/records.ts'

/** What hangs on a record, for its line in a list. */
export interface Holding {
  machines?: number
  sites?: number
  /** The next day anything there is due. */
  dueOn?: string
}

/** A page of one kind of record, by name. */
export interface RecordPage<K extends RecordKind> {
  rows: ({ id: string; version: number; holds?: Holding } & Kept<K>)[]
  next?: string
  /** What it was looked for by. */
  text?: string
}
