import type { DayProblem, Outing, Stop } from './day-problem.ts'
import { homeAt, setOut, throughAfterRest, throughBeforeRest } from './walk.ts'

const never = Number.POSITIVE_INFINITY

/**
 * An outing with, at each place in its order, how early one is there and how late one may be: whether one more stop
 * fits in is then told without driving the rest of the day again.
 */
export interface Leeway {
  route: number[]
  travelMin: number
  finishMin: number
  /** By stop, moment of leaving the place before it, from setting out on; the break still to come, or taken. */
  earliest: Pair[]
  /** By stop, latest arrival there from which the rest of the day can be driven; last of all, latest leaving for home. */
  latest: Pair[]
}

interface Pair {
  beforeRest: number
  afterRest: number
}

/**
 * @param route - in an order that can be driven
 */
export function leewayOf(problem: DayProblem, outing: Outing, route: number[]): Leeway {
  const { travelMin, stops } = problem
  const earliest: Pair[] = [setOut(outing)]
  let travel = 0
  let at = outing.start
  for (const [i, index] of route.entries()) {
    const stop = stops[index]!
    const leg = travelMin[at]![stop.place]!
    const unrested = earliest[i]!.beforeRest + leg
    travel += leg
    earliest.push({
      beforeRest: throughBeforeRest(outing, stop, unrested),
      afterRest: throughAfterRest(outing, stop, unrested, earliest[i]!.afterRest + leg),
    })
    at = stop.place
  }
  const n = route.length
  const homeLeg = travelMin[at]![outing.end]!
  const latest = new Array<Pair>(n)
  let after = latestForHome(outing, homeLeg)
  for (let i = n - 1; i >= 0; i--) {
    latest[i] = latestArrivals(outing, stops[route[i]!]!, after)
    const leg = travelMin[i > 0 ? stops[route[i - 1]!]!.place : outing.start]![stops[route[i]!]!.place]!
    after = { beforeRest: latest[i]!.beforeRest - leg, afterRest: latest[i]!.afterRest - leg }
  }
  const { beforeRest, afterRest } = earliest[n]!
  return {
    route,
    travelMin: n === 0 ? 0 : travel + homeLeg,
    finishMin: n === 0 ? outing.startMin : homeAt(outing, beforeRest, afterRest, homeLeg),
    earliest,
    latest,
  }
}

/** Whether a stop can come before the one that is now at that place of the order. */
export function fitsAt(problem: DayProblem, outing: Outing, leeway: Leeway, i: number, index: number): boolean {
  const { travelMin, stops } = problem
  const { route, earliest, latest } = leeway
  const stop = stops[index]!
  const from = i > 0 ? stops[route[i - 1]!]!.place : outing.start
  const leg = travelMin[from]![stop.place]!
  const unrested = earliest[i]!.beforeRest + leg
  const beforeRest = throughBeforeRest(outing, stop, unrested)
  const afterRest = throughAfterRest(outing, stop, unrested, earliest[i]!.afterRest + leg)
  if (i === route.length) return homeAt(outing, beforeRest, afterRest, travelMin[stop.place]![outing.end]!) < never
  const on = travelMin[stop.place]![stops[route[i]!]!.place]!
  return afterRest + on <= latest[i]!.afterRest || beforeRest + on <= latest[i]!.beforeRest
}

/** Latest leaving of the last stop for home. */
function latestForHome({ rest, endMin }: Outing, leg: number): Pair {
  if (!rest) return { beforeRest: -never, afterRest: endMin - leg }
  const restFirst = rest.from + rest.minutes + leg <= endMin ? Math.min(rest.to, endMin - leg - rest.minutes) : -never
  return { beforeRest: Math.max(Math.min(rest.to, endMin) - leg, restFirst), afterRest: endMin - leg }
}

/** Latest arrivals at a stop that is to be left by then. */
function latestArrivals({ rest, endMin }: Outing, stop: Stop, left: Pair): Pair {
  const afterRest = latestArrival(stop, Math.min(left.afterRest, endMin))
  if (!rest) return { beforeRest: -never, afterRest }
  const restFirst = rest.from + rest.minutes <= afterRest ? Math.min(rest.to, afterRest - rest.minutes) : -never
  return {
    beforeRest: Math.max(latestArrival(stop, Math.min(left.beforeRest, rest.to, endMin)), restFirst),
    afterRest,
  }
}

/** Latest arrival that is through with the work by then. */
function latestArrival({ open, serviceMin }: Stop, by: number): number {
  const begin = by - serviceMin
  for (let i = open.length - 1; i >= 0; i--) if (open[i]!.from <= begin) return Math.min(open[i]!.to, begin)
  return -never
}
