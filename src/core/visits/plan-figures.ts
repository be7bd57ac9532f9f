import type { RoadFigures } from '../rounds/travel.ts'
import { usualRoads } from '../rounds/travel.ts'
import type { LateClass } from '../trade/lateness.ts'

/** What a plan is weighed by, in minutes of the firm’s time. From memory, all of it. */
export interface PlanFigures {
  /** A day late costs so much, by what it does. */
  latePerDay: Readonly<Record<LateClass, number>>
  /** A day past what hygiene, safety or law allows: nothing else outweighs it. */
  hardPerDay: number
  /** Ringing them, the key, tools in and out: each visit, beside its tasks. */
  stopMin: number
  /** A minute over somebody’s hours. */
  overCost: number
  /** To take back what was proposed. */
  changedCost: number
  /** Somebody else than who usually goes there. */
  otherTechnicianCost: number
  roads: RoadFigures
}

export const usualPlanFigures: PlanFigures = {
  latePerDay: { stands: 8, short: 3, nuisance: 1 },
  hardPerDay: 240,
  stopMin: 15,
  overCost: 4,
  changedCost: 15,
  otherTechnicianCost: 8,
  roads: usualRoads,
}
