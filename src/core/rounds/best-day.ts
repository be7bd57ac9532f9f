import { compareDays, type DayProblem } from './day-problem.ts'
import { exactOrder, exactStops } from './exact-order.ts'
import { type FoundDay, type Search, searchDay } from './order-search.ts'
import { costOf } from './walk.ts'

/**
 * The best day there is for one technician and ten stops or fewer; a good one, found by search, for more.
 * @returns `exact` where every order was weighed
 */
export function bestDay(problem: DayProblem, search: Search): FoundDay & { exact: boolean } {
  if (problem.outings.length > 1 || problem.stops.length > exactStops) {
    const found = searchDay(problem, search)
    return { ...found, exact: false }
  }
  const allowed = problem.stops.map((_, i) => i).filter((i) => problem.may?.(i, 0) ?? true)
  const { order } = exactOrder(problem, allowed)
  const cost = costOf(problem, [order])!
  const given = search.given && costOf(problem, search.given)
  // As good as it was: nobody’s day is turned round for nothing.
  if (given && compareDays(given, cost) <= 0) return { routes: [[...search.given![0]!]], cost: given, exact: true }
  return { routes: [order], cost, exact: true }
}
