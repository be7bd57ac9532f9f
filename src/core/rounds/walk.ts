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

/** The end of a break for whoever could begin it at a minute; infinite where it is too late for it, or there is none. */
const restedAt = (rest: Rest | undefined, at: number): number =>
  !rest || at > rest.to ? never : Math.max(at, rest.from) + rest.minutes

/**
 * Through with a stop whose break is still to come, for whoever arrives at a minute: only where its work is over in
 * time for it.
 */
export function throughBeforeRest({ rest }: Outing, stop: Stop, arrival: number): number {
  const through = rest ? beginsAt(stop, arrival) + stop.serviceMin : never
  return rest && through <= rest.to ? through : never
}

/** Through with a stop and the break taken, before it or on arrival. */
export const throughAfterRest = ({ rest }: Outing, stop: Stop, unrested: number, rested: number): number =>
  Math.min(beginsAt(stop, rested), beginsAt(stop, restedAt(rest, unrested))) + stop.serviceMin

/**
 * Home by a last leg. Whoever is home before the break is over needs none; else it is taken before the way home.
 * @returns infinite where it is later than the day may last
 */
export function homeAt({ rest, endMin }: Outing, unrested: number, rested: number, leg: number): number {
  const straight = unrested + leg
  const at = Math.min(rest && straight <= rest.to ? straight : never, rested + leg, restedAt(rest, unrested) + leg)
  return at <= endMin ? at : never
}

/**
 * From a place to a stop and through its work.
 * @returns null where the stop cannot be served so late
 */
export function served(problem: DayProblem, outing: Outing, moment: Moment, from: number, stop: Stop): Moment | null {
  const leg = problem.travelMin[from]![stop.place]!
  const beforeRest = throughBeforeRest(outing, stop, moment.beforeRest + leg)
  const afterRest = throughAfterRest(outing, stop, moment.beforeRest + leg, moment.afterRest + leg)
  if (Math.min(beforeRest, afterRest) > outing.endMin) return null
  return { travelMin: moment.travelMin + leg, beforeRest, afterRest }
}

/** Home: null where it is later than the day may last. */
export function home(problem: DayProblem, outing: Outing, moment: Moment, from: number) {
  const leg = problem.travelMin[from]![outing.end]!
  const finishMin = homeAt(outing, moment.beforeRest, moment.afterRest, leg)
  return finishMin < never ? { travelMin: moment.travelMin + leg, finishMin } : null
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
