import type { Dated } from './choose-visits.ts'
import type { Handwork } from './minutes-there.ts'

/** A task of a place, with its minutes of work there. */
export interface PlanTask extends Dated, Handwork {
  /** By day of the plan, then by day after it. */
  costOn: ArrayLike<number>
  /** Finite: what must be done is dear to leave, never impossible. */
  leftCost: number
}

/** A visit whose day is settled: it does not move, and its tasks stay on it. */
export interface SettledVisit {
  day: number
  technician: number
  /** Indices of the site’s tasks. */
  tasks: number[]
  /** Minutes of work there that is no task: a fault somebody goes for. */
  repairMin?: number
}

export interface PlanSite {
  /** Row of the matrix of travel times, its own. */
  place: number
  tasks: readonly PlanTask[]
  /** By day: whether somebody may come. */
  isOpen: ArrayLike<number | boolean>
  /** By day: minutes that one visit there can take, all in all; as many as somebody has where it is absent. */
  roomMin?: ArrayLike<number>
  /** Minutes each visit takes beside its tasks: the key, signing in, the wheels. */
  stopMin: number
  /** What a visit on a day costs beside road and tasks: another weekday than usual, say. By day; 0 where absent. */
  dayCost?: ArrayLike<number>
  /** The same by technician; infinite for one who does not know the kind. */
  technicianCost: ArrayLike<number>
  settled: readonly SettledVisit[]
  /** What was proposed so far: to leave it costs `changedCost`. */
  was: readonly { day: number; technician: number }[]
  /** What a trip costs on one of the days after the plan. */
  laterTripCost: number
}

export interface PlanTechnician {
  /** Row of the matrix of travel times. */
  place: number
  /** Minutes by day; none where they are away. */
  hoursMin: ArrayLike<number>
}

/** All that a firm’s visits are planned from. Costs are in minutes. */
export interface FirmProblem {
  /** Days of the plan, from 0. */
  days: number
  /** Days after it, as whole columns of costs: nobody’s hours are counted there. */
  daysAfter: number
  travelMin: readonly (readonly number[])[]
  sites: readonly PlanSite[]
  technicians: readonly PlanTechnician[]
  /** What a minute over somebody’s hours costs. */
  overCost: number
  /** What it costs to take back what was proposed. */
  changedCost: number
}

export interface PlannedVisit {
  day: number
  /** Absent after the days of the plan. */
  technician: number | null
  tasks: number[]
  repairMin?: number
  settled: boolean
}

/** Each site’s visits, in order of their days. */
export type FirmPlan = readonly (readonly PlannedVisit[])[]
