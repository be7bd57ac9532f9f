import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Span } from '../core/rounds/day-problem.ts'
import type { MachineAtPlace } from '../core/visits/call-urgency.ts'
import type { VisitRepair, VisitState } from './weeks-ahead.ts'

/** A call that is to be rung back. */
export interface RingBack {
  id: string
  at: string
  text: string
  /** Who rang and where to ring back, as it was told in the call; empty where nothing was. */
  caller: string
  phone: string
  /** On record. */
  customer: { contact: string; phone: string } | null
  /** Who took it. */
  by: string
  /** Nobody took it: it was sent, from a machine’s page. */
  origin: string | null
  machine: { id: string; name: string } | null
  place: string
}

/** A fault that was reported, and that nothing has cured since. */
export interface OpenFault {
  id: string
  text: string
  symptom: string | null
  on: LocalDay
}

/** What is known of the place of a machine while somebody is on the telephone. */
export interface CallPlace {
  siteId: string
  siteName: string
  area: string
  timeZone: string
  accessNote: string
  technicianId: string
  customer: { id: string; name: string; contact: string; phone: string }
  /** When somebody may work there, as it was said; none where nobody said it. */
  hours: { weekdays: number[]; hours: { from: string; to: string }[]; note: string } | null
  lastVisit: { on: LocalDay; technicians: string[] } | null
  /** All machines there, the one that was rung about too. */
  machines: (MachineAtPlace & { id: string; name: string; model: string; kind: string; fault: OpenFault | null })[]
}

/** A stop of somebody’s day, as a moment shows it. */
export interface MomentStop {
  siteId: string
  name: string
  state: VisitState | 'done' | 'under way' | 'call'
  fromMin: number
  toMin: number
}

/** One way to go there. */
export interface CallMoment {
  on: LocalDay
  technicianId: string
  name: string
  /** Days from today. */
  dayAfter: number
  beginMin: number
  endMin: number
  /** The time to promise, on the clock of the place. */
  promise: string
  detourMin: number
  /** Home, with it and as it was. */
  finishMin: number
  wasFinishMin: number
  /** The whole day with it. */
  day: MomentStop[]
  dayFromMin: number
  dayToMin: number
  hours: Span[]
  later: { name: string; byMin: number }[]
  /** A stop that has no room then. */
  out: { siteId: string; name: string } | null
  /** Somebody goes there anyway: the visit it becomes part of. */
  joins: {
    state: VisitState
    visitId?: string
    promised?: string
    repair?: VisitRepair
    /** Of that visit as it stands. */
    minutes: number
    tasks: { subjectId: string; key: string }[]
  } | null
  /** The stop itself, beside all work. */
  stopMin: number
  /** Work of that day that nobody was promised is left for another visit. */
  isLighter: boolean
  isOther: boolean
  /** They know the kind of machine. */
  knowsKind: boolean
  openDays: number
  openToday: boolean
  isOpen: boolean
  /** The order to drive the day in. */
  siteIds: string[]
}

/** What one day has to offer. */
export interface CallDay {
  on: LocalDay
  today: LocalDay
  timeZone: string
  nowMin: number
  /** Why nobody can come on it, where that is so. */
  why: 'closed' | 'nobody works' | 'full' | null
  /** The visit that stands there on this day. */
  there: VisitState | null
  moments: CallMoment[]
  seq: number
}
