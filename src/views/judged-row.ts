import type { Kept } from '../core/firm/records.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'

/** A row of a mapped spreadsheet of readings, as the user's program sends it to be judged. */
export interface FileRow {
  serial: string
  date: string
  count: string
}

export type RowVerdict = 'taken' | 'duplicate' | 'impossible' | 'unknown-machine' | 'unreadable'

/** What becomes of one row, and why in words. */
export interface Judged {
  verdict: RowVerdict
  reason?: string
}

/** A reading's row. */
export interface JudgedRow extends Judged {
  machineId?: string
  machineName?: string
  happenedOn?: string
  count?: number
  timeZone?: string
}

/** A row of past work: the entries it stands for. */
export interface JudgedWork extends Judged {
  timeZone?: string
  machineId?: string
  machineName?: string
  machineKind?: string
  happenedOn?: string
  /** Bodies by kind of entry, in the order they are written. */
  work?: Jotting[]
}

/** A row of a waterworks' table: the tests it stands for. */
export interface JudgedAnalysis extends Judged {
  timeZone?: string
  happenedOn?: string
  work?: Jotting[]
}

/** A row of a list of customers. */
export interface JudgedCustomer extends Judged {
  customer?: Kept<'customer'>
}

/** A row of a list of machines: what is there already, and what it says of the rest. */
export interface JudgedMachine extends Judged {
  /** Ids of what is in the firm already; what is new gets its id where it is written. */
  customerId?: string
  siteId?: string
  machine?: {
    customer: string
    site: string
    area: string
    address: string
    name: string
    maker: string
    model: string
    serial: string
    kind: string
    takenOn?: string
    count?: number
  }
}
