import type { ReactNode } from 'react'
import type { Judged } from '../../views/judged-row.ts'

/** One column the user maps: what it is called, and the names it goes by in other people's files. */
export interface Column {
  id: string
  label: string
  guess: RegExp
  required: boolean
}

/** A kind of file: its columns, how its rows are judged, and how one that is taken is written. */
export interface ImportKind<R extends Judged> {
  title: string
  about: string
  /** What a row is: a reading, a machine; and several of them. */
  thing: string
  things: string
  columns: Column[]
  /** The column whose cells are days, if any. */
  dateColumn?: string
  checkUrl: string
  /** More that goes with the check. */
  extra?: Record<string, unknown>
  /** Writes rows that are taken, some at a time. @param ids - a lasting id for each row: written twice is written once */
  write(rows: { row: R; id: string }[], stop: AbortSignal, progress: (done: number) => void): Promise<Written>
  /** The row as it will be, cell by cell under the same heads. */
  heads: string[]
  cells(row: R, raw: (column: string) => string): ReactNode[]
}

/** How far the writing came, and why it stopped where it did not come to the end. */
export interface Written {
  done: number
  problem?: string
}
