import type { InstrumentKind } from '../core/firm/instrument-kinds.ts'
import type { Kept } from '../core/firm/records.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Level } from '../core/standing/histories.ts'
import type { TaskToWrite } from '../core/standing/tasks/raised-task.ts'

/** Old entries of a machine, its softener and its site that only the server has at hand. */
export interface LeftOut {
  /** All since this day is here. */
  before: LocalDay
  entries: number
}

interface Named {
  id: string
  name: string
}

/** Whose a machine is, who pays and may say yes, and which machine stands in for which. */
export interface Papers {
  /** Null where it is the customer's at whose site it stands. */
  owner: Named | null
  payer: Named & Pick<Kept<'customer'>, 'mayAgree' | 'agreesUpTo' | 'orderNumber'>
  /** It is in the workshop: the one on loan in its place. */
  standIn?: Named
  /** It is on loan here, in the place of that one. */
  standsInFor?: Named
  onLoanSince?: LocalDay
}

/** One machine with all its reckoning reads: a field screen works from this alone, without network. */
export interface MachineBundle {
  firmId: string
  machine: { id: string; version: number } & Kept<'machine'>
  papers: Papers
  site: {
    id: string
    name: string
    area: string
    timeZone: string
    accessNote: string
    supplyName?: string
    /** `email`: where papers of a visit go. */
    customer: { id: string; name: string; email?: string }
    altitudeM?: number
  }
  softener: { id: string; name: string } | null
  /** Ledgers by level; entries that do not count are in them, of a long past what a reckoning needs. */
  ledgers: Partial<Record<Level, RecordedEntry[]>>
  /** Only what a page shows first is in it yet: nothing can be reckoned from it. */
  atFirstSight?: true
  /** What of a long past is not here; null where all is. */
  leftOut: LeftOut | null
  /** Ledgers of the machines behind the same softener, this one left out; a level not there is this machine's own. */
  fedBeside: Partial<Record<Level, RecordedEntry[]>>[]
  /** Tasks that no kind lists: what is written when one is done. */
  raisedTasks: TaskToWrite[]
  technicians: { id: string; name: string; initials: string; leftOn?: string }[]
  /** What can be measured with, and how long it is good. */
  instruments: { id: string; name: string; kind: InstrumentKind; serial: string; calibrations: RecordedEntry[] }[]
  /** The firm's cursor when this was read: a save that names it learns whether somebody wrote since. */
  seq: number
  /** Entries in it that wait on this device and have not reached the ledger. */
  unsent?: string[]
  /** Stored standings wait for the worker: what is shown is reckoned from the ledger itself. */
  stale: boolean
}
