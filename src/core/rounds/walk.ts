import type { DayCost, DayProblem, DayRoutes, Outing, Rest, Stop } from './day-problem.ts'

/**
 * A moment on the way: the earliest it can be if the break is still to come, and if it has been taken. Infinite where
 * it cannot be so.
 */
export interface Moment {
  travelMin: number
  beforeRest: number
  afterRest: number
}

const never = Number.POSITIVE_INFINITY

/** Where a day begins. */
export const setOut = ({ startMin, rest }: Outing): Moment =>
  rest
    ? { travelMin: 0, beforeRest: startMin, afterRest: never }
    : { travelMin: 0, beforeRest: never, afterRest: startMin }

/** When the work begins for whoever arrives at a minute; infinite where the last span has passed. */
export function beginsAt({ open }: Pick<Stop, 'open'>, arrival: number): number {
  for (const { from, to } of open) if (arrival <= to) return Math.max(arrival, from)
  return never
}

/** The end of a break for whoever could begin it at a minute; infinite where it is too late for it. */
const restedAt = ({ minutes, from, to }: Rest, at: number): number => (at > to ? never : Math.max(at, from) + minutes)

/**
 * From a place to a stop and through its work. The break may be taken on arrival.
 * @returns null where the stop cannot be served so late
 */
export function served(problem: DayProblem, outing: Outing, moment: Moment, from: number, stop: Stop): Moment | null {
  const leg = problem.travelMin[from]![stop.place]!
  const { rest } = outing
  const work = (arrival: number) => beginsAt(stop, arrival) + stop.serviceMin
  const arrival = moment.beforeRest + leg
  // Still to be taken afterwards: only where this work is over in time for it.
  const through = rest ? work(arrival) : never
  const beforeRest = rest && through <= rest.to ? through : never
  const afterRest = Math.min(work(moment.afterRest + leg), rest ? work(restedAt(rest, arrival)) : never)
  if (Math.min(beforeRest, afterRest) > outing.endMin) return null
  return { travelMin: moment.travelMin + leg, beforeRest, afterRest }
}

/** Home: null where it is later than the day may last. Whoever is home before the break is over needs none. */
export function home(problem: DayProblem, outing: Outing, moment: Moment, from: number) {
  const leg = problem.travelMin[from]![outing.end]!
  const { rest } = outing
  const early = moment.beforeRest + leg
  const finishMin = Math.min(
    rest && early <= rest.to ? early : never,
    moment.afterRest + leg,
    rest ? restedAt(rest, moment.beforeRest) + leg : never,
  )
  return finishMin <= outing.endMin ? { travelMin: moment.travelMin + leg, finishMin } : null
}

/**
 * A whole outing in a given order.
 * @returns null where its hours or a stop’s do not allow it; no stops: no way, home at once
 */
export function walked(problem: DayProblem, outing: Outing, order: readonly number[]) {
  if (order.length === 0) return { travelMin: 0, finishMin: outing.startMin }
  let moment: Moment | null = setOut(outing)
  let at = outing.start
  for (const i of order) {
    const stop = problem.stops[i]!
    moment = served(problem, outing, moment, at, stop)
    if (!moment) return null
    at = stop.place
  }
  return home(problem, outing, moment, at)
}

/** What a day costs as it is; null where one of its outings cannot be driven so. */
export function costOf(problem: DayProblem, routes: DayRoutes): DayCost | null {
  let unserved = problem.stops.length
  let travelMin = 0
  let finishMin = 0
  for (const [k, order] of routes.entries()) {
    const outing = walked(problem, problem.outings[k]!, order)
    if (!outing) return null
    unserved -= order.length
    travelMin += outing.travelMin
    finishMin = Math.max(finishMin, order.length > 0 ? outing.finishMin : 0)
  }
  return { unserved, travelMin, finishMin }
}
