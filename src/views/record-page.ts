import type { Kept, RecordKind } from '../core/firm/records.ts'

/** A page of one kind of record, by name. */
export interface RecordPage<K extends RecordKind> {
  rows: ({ id: string; version: number } & Kept<K>)[]
  next?: string
}
