import type { WorkMeaning } from '../core/files/read-work.ts'
import type { Kept } from '../core/firm/records.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import type { HardnessUnit } from '../core/quantity/hardness.ts'

export type RowVerdict =
  | 'taken'
  /** Somebody or something that is there already, with what was missing. */
  | 'fills'
  /** Kept as a note: it moves no date. */
  | 'note-only'
  | 'duplicate'
  | 'impossible'
  | 'unknown-machine'
  | 'unreadable'
  /** A line of totals, or of a word that is left out. */
  | 'left-out'

/** Rows that write something. */
export const writes = (verdict: RowVerdict): boolean => ['taken', 'fills', 'note-only'].includes(verdict)

/** What becomes of one row, and why in words. */
export interface Judged {
  verdict: RowVerdict
  reason?: string
}

/** A day as it will be kept, and what was known of it where that was less. */
export interface KeptDay {
  on: string
  known?: 'month' | 'year'
}

/** A reading's row. */
export interface JudgedReading extends Judged {
  machineId?: string
  machineName?: string
  /** What the counter of this machine counts. */
  unit?: string
  happened?: KeptDay
  count?: number
}

/** A row of past work: the entries it stands for. */
export interface JudgedWork extends Judged {
  machineId?: string
  machineName?: string
  machineKind?: string
  happened?: KeptDay
  /** What is written, in its order. */
  work?: Jotting[]
  /** What a text that is kept as a note may mean. */
  guess?: WorkMeaning
}

/** A row of a waterworks' table: the tests it stands for. */
export interface JudgedAnalysis extends Judged {
  happened?: KeptDay
  work?: Jotting[]
}

/** A row of a list of customers. */
export interface JudgedCustomer extends Judged {
  customer?: Kept<'customer'>
  /** Fields that are filled in with one who is there. */
  filled?: string[]
}

/** A row of a list of machines: what is there already, and what it says of the rest, as it will be kept. */
export interface JudgedMachine extends Judged {
  /** Whether customer and place are new. */
  newCustomer?: boolean
  newSite?: boolean
  filled?: string[]
  machine?: {
    customer: string
    contact: string
    phone: string
    email: string
    site: string
    area: string
    address: string
    access: string
    name: string
    maker: string
    model: string
    revision: string
    serial: string
    kind: string
    groups?: number
    takenOn?: KeptDay
    servicedOn?: KeptDay
    count?: number
    /** A count that its kind has no counter for: it stays in the file. */
    noCounter?: number
    /** What its counter counts. */
    unit: string
    readOn: KeptDay
    hardness?: { value: number; unit: HardnessUnit }
    treatment?: string
    remark: string
  }
}

export type JudgedRow = JudgedReading | JudgedWork | JudgedAnalysis | JudgedCustomer | JudgedMachine
