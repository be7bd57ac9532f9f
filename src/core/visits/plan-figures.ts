import type { RoadFigures } from '../rounds/travel.ts'
import type { LateClass } from '../trade/lateness.ts'
import { type PlanningFigureId, planningFigures } from '../trade/planning-figures.ts'

/** What a plan is weighed by, in minutes of the firm’s time. */
export interface PlanFigures {
  /** A day late costs so much, by what it does. */
  latePerDay: Readonly<Record<LateClass, number>>
  /** A day past what hygiene, safety or law allows: nothing else outweighs it. */
  hardPerDay: number
  /** What is thrown away of a part’s life beyond a fifth counts so many times. */
  wasteful: number
  /** Ringing them, the key, tools in and out: each visit, beside its tasks. */
  stopMin: number
  /** A minute over somebody’s hours. */
  overCost: number
  /** To take back what was proposed. */
  changedCost: number
  /** Somebody else than who usually goes there. */
  otherTechnicianCost: number
  /** Another weekday than the usual one. */
  otherWeekdayCost: number
  /** A visit of its own where a contract has its visits. */
  betweenContractCost: number
  roads: RoadFigures
  /** From which chance on a part that a fault may need is taken along. */
  carryChance: number
}

/** What a firm set of its own. */
export type OwnPlanning = { readonly [Id in PlanningFigureId]?: number | undefined }

/**
 * What a plan is weighed by: the firm’s own figures, and those from memory where it has none.
 * @example planFiguresOf({ stop: 20 }).stopMin // 20
 */
export function planFiguresOf(own: OwnPlanning = {}): PlanFigures {
  const of = (id: PlanningFigureId): number => own[id] ?? planningFigures[id].value
  return {
    latePerDay: { stands: of('lateStands'), short: of('lateShort'), nuisance: of('lateNuisance') },
    hardPerDay: of('lateHard'),
    wasteful: of('wasteful'),
    stopMin: of('stop'),
    overCost: of('over'),
    changedCost: of('changed'),
    otherTechnicianCost: of('otherTechnician'),
    otherWeekdayCost: of('otherWeekday'),
    betweenContractCost: of('betweenContract'),
    roads: { detour: of('detour'), speeds: [of('kmhNear'), of('kmhMiddle'), of('kmhFar')], parkMin: of('park') },
    carryChance: of('carryChance') / 100,
  }
}

export const usualPlanFigures: PlanFigures = planFiguresOf()
