import { type FoundPlan, planFirm } from '../../core/visits/firm-plan.ts'
import type { FirmPlan, FirmProblem } from '../../core/visits/firm-problem.ts'

/** What is looked for, and for how long. */
export interface PlanAsked {
  problem: FirmProblem
  given: FirmPlan | null
  rounds: number
  mostMs: number
}

/** Looks for a plan; null where it was told to stop. */
export type LookForPlan = (asked: PlanAsked, signal?: AbortSignal) => Promise<FoundPlan | null>

/** The search itself: while it goes on, nothing else does in its thread. */
export function searchedPlan({ problem, given, rounds, mostMs }: PlanAsked): FoundPlan {
  const began = performance.now()
  return planFirm(problem, {
    rounds,
    ...(given && { given }),
    spent: () => (performance.now() - began) / mostMs,
  })
}
