import type { Body } from '../core/ledger/entry-kinds.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { CarryLine } from '../core/rounds/carry.ts'
import type { Outing, Span } from '../core/rounds/day-problem.ts'
import type { Better, LeftStop } from '../core/rounds/standing-order.ts'
import type { Coordinates, Road } from '../core/rounds/travel.ts'
import type { Handwork } from '../core/visits/minutes-there.ts'
import type { VisitRepair, VisitState } from './weeks-ahead.ts'

/** One thing to do at a stop, and why today. */
export interface DayTask extends Handwork {
  subjectId: string
  subjectKind: 'machine' | 'softener' | 'site'
  key: string
  name: string
  machineName: string
  /** Minutes a hot machine would have to cool before it: they are asked to switch it off; 0 where not. */
  coolMin: number
  /** Nobody was promised it. */
  mayWait: boolean
  due: LocalDay
  /** Days over on this day; below 0: so much before it is due. */
  over: number
  /** Nothing is sure of it by that day: its window is wide. */
  sure: boolean
}

/** A fault reported of a machine here that nothing has cured. */
export interface DayFault {
  machineId: string
  machineName: string
  text: string
  on: LocalDay
}

export interface DayStop {
  siteId: string
  name: string
  area: string
  address: string
  place: Coordinates | null
  /** `under way`: somebody is there; `done`: it is written down. */
  state: VisitState | 'under way' | 'done'
  technicianId: string
  visitId?: string
  /** What was written of it, where somebody is there or has been. */
  header?: { id: string; body: Body<'visit'> }
  /** A time that was promised, on the clock of the place. */
  promised?: string
  /** The same as a minute of the firm’s day. */
  promisedMin?: number
  /** A fault somebody goes for. */
  repair?: VisitRepair
  /** When it began and ended, minutes of the firm’s day, where somebody looked at the clock. */
  arrivedMin?: number
  leftMin?: number
  /** Somebody looked at the clock on arriving; else it is when it was written. */
  isTimed?: boolean
  timeZone: string
  accessNote: string
  customer: { name: string; contact: string; phone: string }
  /** When somebody may work there, minutes of the firm’s day; none: any hour. */
  hours: Span[]
  hoursNote: string
  serviceMin: number
  /** When the work may begin. */
  open: Span[]
  tasks: DayTask[]
  /** What the plan had for this visit and the day has no room for. */
  notToday: string[]
  faults: DayFault[]
  /** Entries about it that wait on this device. */
  waits?: number
}

/** One technician’s day. */
export interface DayPerson {
  id: string
  name: string
  initials: string
  start: Coordinates | null
  /** They do not work on this day: why, where somebody said it. */
  away: string | null
  /** Days to come on which they are away, by the entry that says it. */
  absences: { entryId: string; from: LocalDay; to: LocalDay; name: string }[]
  outing: Outing
  /** Stops already behind them, and the one they are at, as they were driven. */
  been: number[]
  /** What is still to come, in the order that stands. */
  order: number[]
  /** Somebody set it. */
  isSet: boolean
  left: LeftStop[]
  better: Better | null
}

/** Stops that would better be somebody else’s: one, or two exchanged. */
export interface DayHandOver {
  moves: { stop: number; fromId: string; toId: string }[]
  /** Of road, all days together. */
  savesMin: number
  /** Stops that find a place in a day and had none. */
  more: number
  /** By person’s id, the orders that change. */
  orders: Record<string, number[]>
}

/** A day of a firm: who drives where in which order, and with what. */
export interface DayPage {
  on: LocalDay
  today: LocalDay
  /** Minutes of the day that have passed; null on another day. */
  nowMin: number | null
  timeZone: string
  stops: DayStop[]
  people: DayPerson[]
  handOver: DayHandOver | null
  /** Minutes on the road: rows and columns are the stops, then the people’s starts. */
  roads: Road[][]
  /** By person’s id. */
  carry: Record<string, CarryLine[]>
  /** Sites nobody goes to on this day, with the next visit there. */
  others: { siteId: string; name: string; place: Coordinates; next: LocalDay | null }[]
  /** In a firm of many who is not among the people: their days are asked for by themselves. */
  otherPeople: { id: string; name: string }[]
  /** Days of the plan on which somebody has a stop. */
  daysOut: LocalDay[]
  /** What is not agreed comes from the plan: whether it knows all. */
  plan: 'made' | 'being made' | 'being made anew'
  /** The last entry it knows. */
  seq: number
}
