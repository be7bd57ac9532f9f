import type { FirmPlan, FirmProblem, PlannedVisit } from './firm-problem.ts'
import { PlanState } from './plan-state.ts'

/** A proposed visit that the plan has put on another day, or nowhere. */
export interface MovedVisit {
  site: number
  fromDay: number
  /** Where most of its tasks went; null: they are on no visit of these days any more. */
  toDay: number | null
  /** What the whole plan costs less than with this site as it was, minutes; null: it could not stay as it was. */
  savesMin: number | null
}

/**
 * What a plan changed of what was proposed, and what for: whoever sees a day move is told why.
 *
 * @param given - as it was proposed before, as far as it still could be
 */
export function movedVisits(problem: FirmProblem, plan: FirmPlan, given: FirmPlan): MovedVisit[] {
  const moved: MovedVisit[] = []
  const state = new PlanState(problem, plan)
  for (const [s, visits] of given.entries()) {
    const now = plan[s]!
    const gone = visits.filter(
      ({ day, technician, settled }) =>
        !settled && technician !== null && day < problem.days && !now.some((visit) => visit.day === day),
    )
    if (gone.length === 0) continue
    const before = state.cost
    const couldStay = gone.every(
      ({ day, technician }) =>
        problem.sites[s]!.isOpen[day] &&
        problem.technicians[technician!]!.hoursMin[day]! > 0 &&
        problem.sites[s]!.technicianCost[technician!]! < Number.POSITIVE_INFINITY,
    )
    let savesMin: number | null = null
    if (couldStay) {
      state.set(s, visits)
      savesMin = state.cost - before
      state.back(before)
    }
    for (const visit of gone) moved.push({ site: s, fromDay: visit.day, toDay: whereTo(visit, now), savesMin })
  }
  return moved
}

/** The visit that has most of its tasks now. */
function whereTo({ tasks }: PlannedVisit, now: readonly PlannedVisit[]): number | null {
  const shared = (visit: PlannedVisit) => visit.tasks.filter((t) => tasks.includes(t)).length
  const best = now
    .filter(({ technician }) => technician !== null)
    .map((visit) => ({ day: visit.day, shared: shared(visit) }))
    .sort((a, b) => b.shared - a.shared || a.day - b.day)[0]
  return best && best.shared > 0 ? best.day : null
}
