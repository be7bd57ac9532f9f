import type { LocalDay } from '../core/quantity/local-day.ts'
import type { LateClass } from '../core/trade/lateness.ts'
import type { WaitsFor } from '../core/trade/waits-for.ts'
import type { Handwork } from '../core/visits/minutes-there.ts'

/** How far a visit has got: the plan’s own proposal until somebody took it up. */
export type VisitState = 'proposed' | 'taken' | 'asked' | 'agreed'

/** A fault somebody goes for: the entry that told of it, and the minutes it is thought to take. */
export interface VisitRepair {
  report: string
  minutes: number
}

/** What a task waits for, and the first day it may be done on; absent where nobody knows. */
export interface TaskWaits {
  for: WaitsFor
  until?: LocalDay
  note?: string
}

/** A visit as it stands in the plan. */
export interface WeeksVisit {
  state: VisitState
  /** The id of the visit it will be; absent until somebody took it up. */
  visitId?: string
  /** A time that was promised. */
  from?: string
  repair?: VisitRepair
  on: LocalDay
  technicianId: string
  /** Work there, and the stop itself. */
  minutes: number
  tasks: number
  /** Of these the plan’s own, besides what was arranged. */
  besides: number
  /** Sites on the same trip, in its order, this one left out. */
  with: string[]
}

/** A site with what is due there and when somebody goes. */
export interface WeeksRow {
  siteId: string
  name: string
  area: string
  /** Who usually goes there. */
  technicianId: string
  /** Tasks due in these weeks, and those past their day. */
  due: number
  overdue: number
  /** Windows of what is due, earliest first: `left` where no visit of these weeks has it. */
  windows: { p10: LocalDay; p50: LocalDay; p90: LocalDay; left: boolean }[]
  visits: WeeksVisit[]
  /** Agreed for these days, which are past, and nobody wrote what came of it. */
  missed: { on: LocalDay; visitId: string; technicianId: string }[]
  /** Proposed for another day until lately, and why no longer: what it saves over all; null where it could not stay. */
  moved: { from: LocalDay; to: LocalDay | null; savesMin: number | null }[]
  /** Nobody said where it is: its road is a guess. */
  placeUnknown: boolean
}

/** One technician’s day with somebody to see. */
export interface WeeksDay {
  on: LocalDay
  roadMin: number
  workMin: number
  hoursMin: number
}

export interface WeeksAhead {
  today: LocalDay
  days: number
  /** The plan as it was last made; null where there is none yet. */
  madeOn: LocalDay | null
  /** It is being made anew. */
  beingMade: boolean
  /** Whose sites these are, and whose else could be looked at; null where all are planned together. */
  whose: { technicianId: string; all: { id: string; name: string }[] } | null
  /** Sites that fall due after these: too many for one technician’s weeks. */
  beyond: number
  rows: WeeksRow[]
  technicians: {
    id: string
    name: string
    initials: string
    startUnknown: boolean
    /** Days of the plan on which they work, from 0. */
    workDays: number[]
    days: WeeksDay[]
  }[]
  sums: {
    trips: number
    /** If each task were done on its own day. */
    tripsAlone: number
    roadMin: number
    roadAloneMin: number
    /** Changed early, in minutes of work. */
    earlyMin: number
    /** Tasks that are likelier over than not by the day of their visit. */
    late: number
    tasks: number
    cost: number
    least: number
  }
}

/** One task of a visit, and what its day costs it. */
export interface WeeksTask extends Handwork {
  subjectId: string
  subjectKind: 'machine' | 'softener' | 'site'
  key: string
  name: string
  machineName: string
  due: LocalDay
  /** Minutes a hot machine would have to cool before it: they are asked to switch it off; 0 where not. */
  coolMin: number
  late: 'stands' | 'short' | 'nuisance' | 'hard'
  /** The plan’s own, besides what was arranged. */
  besides: boolean
  /** Share of its life thrown away. */
  unused: number
  earlyMin: number
  lateMin: number
  chanceDue: number
  waits: TaskWaits | null
  /** The other visit here that would have it, and what it costs there; null where there is none. */
  elsewhere: { on: LocalDay; costMin: number } | null
}

/** What one site’s visit costs on each day: the same tasks, the same plan around it. */
export interface WeeksValley {
  siteId: string
  state: VisitState
  /** The last entry of the ledger this is told from. */
  seq: number
  visitId?: string
  repair?: VisitRepair
  /** Its minutes: tasks, the fault and the stop itself. */
  minutes: number
  customer: { name: string; contact: string; phone: string }
  accessNote: string
  on: LocalDay
  technicianId: string
  tasks: WeeksTask[]
  /** Due in these weeks and not done on this visit: what they would cost on its day, and the visit that has them. */
  left: WeeksTask[]
  /** Done on this visit and due again within these weeks, by its pace so far: in no plan until it is done. */
  again: { name: string; machineName: string; about: LocalDay }[]
  /** By day from today; null where nobody can come. */
  days: ({
    roadMin: number
    earlyMin: number
    lateMin: number
    technicianId: string
    /** Everybody at work on it, the nearest first. */
    ways: { technicianId: string; roadMin: number; knows: boolean }[]
  } | null)[]
  /** There and back, for this site alone. */
  aloneMin: number
  /** The whole trip’s road. */
  tripRoadMin: number
  stopMin: number
  /** Visits by which it is known how long work takes this firm; without any the catalogue speaks. */
  timedVisits: number
  /** What a minute costs, where costs are shown as money. */
  perMinute: number | null
  /** What a day late counts as, minutes. */
  latePerDay: Readonly<Record<LateClass, number>>
  hardPerDay: number
}
