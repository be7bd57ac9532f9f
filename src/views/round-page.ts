import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Standing } from '../core/standing/standing.ts'
import type { TaskWaits, VisitState } from './weeks-ahead.ts'

/** One thing due, with where it is. */
export interface RoundRow {
  subjectId: string
  subjectKind: 'machine' | 'softener'
  /** The machine to open: the softener's first machine for a softener. */
  machineId: string | null
  machineName: string
  model: string
  kind: string | null
  siteId: string
  siteName: string
  area: string
  technicianId: string
  standing: Standing
  /** Day of the latest counter reading; null where nothing was ever read. */
  readingOn: string | null
  stale: boolean
  /** The visit to come it is on; null where it is on none. */
  goes: GoesWith | null
  /** What it waits for; null where it waits for nothing. */
  waits: TaskWaits | null
  /** Where rows are gathered: what of. */
  group?: RoundGroup
}

/** A visit to come a task is on. */
export interface GoesWith {
  on: LocalDay
  technicianId: string
  state: VisitState
  /** A time that was promised. */
  from?: string
  /** Tasks on it, this one among them. */
  tasks: number
}

/** What some rows are gathered by. */
export interface RoundGroup {
  id: string
  /** Of all that matches, whether it is on this page or not. */
  tasks: number
  minutes: number
  /** Every row is on no visit. */
  isOpen: boolean
}

export interface RoundPage {
  rows: RoundRow[]
  /** When the visits among them were planned last; null: not yet. */
  plannedOn: LocalDay | null
  /** Opaque cursor of the next page; absent on the last. */
  next?: string
  /** What is counted once, with the first page; a page that follows does not count again. */
  counts?: RoundCounts
}

/** Nobody reads on: a count stops here, and the board says "and more". */
export const mostCounted = 10_000

export interface RoundCounts {
  /** How many rows match in all, and without any filter; 10,001 stands for more. */
  matching: number
  all: number
  overdue: number
  machines: number
  staleReadings: number
  waiting: number
}

export interface RoundChoices {
  sites: { id: string; name: string }[]
  kinds: { id: string; name: string }[]
  technicians: { id: string; name: string; initials: string }[]
}
