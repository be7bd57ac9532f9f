import type { HardnessUnit } from '../quantity/hardness.ts'
import type { DateForm } from '../typed/read-day.ts'
import type { DecimalMark } from '../typed/read-number.ts'
import type { ImportWhat } from './import-columns.ts'
import type { WorkMeaning } from './read-work.ts'

/** What a word of a list means: a kind of machine, a treatment of water, a piece of work; or that its rows are left out. */
export type WordMeaning =
  | { is: 'left-out' }
  | { is: 'kind'; kind: string; groups?: number }
  | { is: 'treatment'; treatment: string }
  | ({ is: 'work' } & WorkMeaning)
  | { is: 'note' }

/** How a list is read. */
export interface ImportSpec {
  what: ImportWhat
  /** Which column of the file is which of ours; −1 or nothing where none is. */
  columns: Record<string, number>
  dateForm: DateForm
  /** The decimal mark of its figures; null where nobody knows. */
  mark: DecimalMark | null
  /** By column and word: what each means. */
  words: Record<string, Record<string, WordMeaning>>
  /** The unit of hardness of its figures. */
  unit?: HardnessUnit
  /** The day of counters and tests that have none of their own. */
  readOn?: string
  /** Empty cells of the first column mean what stands above them. */
  fillDown?: boolean
  /** The water zone of a table of analyses. */
  supplyId?: string
}

/** The head of a list and its rows, as text. */
export interface ImportTable {
  head: string[]
  rows: string[][]
}

/** How far a list is. */
export type ImportState = 'waiting' | 'written' | 'stopped' | 'failed' | 'going-back' | 'taken-back'
