import type { DayProblem, Outing, Stop } from './day-problem.ts'
import { beginsAt, setOut } from './walk.ts'

const never = Number.POSITIVE_INFINITY

/**
 * An outing with, at each place in its order, how early one is there and how late one may be: whether one more stop
 * fits in is then told without driving the rest of the day again.
 */
export interface Leeway {
  route: number[]
  travelMin: number
  finishMin: number
  /** Moment of leaving the place before stop i; `earliest[0]` is setting out. */
  earliestBeforeRest: number[]
  earliestAfterRest: number[]
  /** Latest moment of leaving that place from which the rest can be driven. */
  latestBeforeRest: number[]
  latestAfterRest: number[]
}

/**
 * @param route - in an order that can be driven
 */
export function leewayOf(problem: DayProblem, outing: Outing, route: number[]): Leeway {
  const { travelMin, stops } = problem
  const n = route.length
  const start = setOut(outing)
  const earliestBeforeRest = [start.beforeRest]
  const earliestAfterRest = [start.afterRest]
  let travel = 0
  let at = outing.start
  for (let i = 0; i < n; i++) {
    const stop = stops[route[i]!]!
    const leg = travelMin[at]![stop.place]!
    travel += leg
    earliestBeforeRest.push(throughBeforeRest(outing, stop, earliestBeforeRest[i]! + leg))
    earliestAfterRest.push(throughAfterRest(outing, stop, earliestBeforeRest[i]! + leg, earliestAfterRest[i]! + leg))
    at = stop.place
  }
  const { rest, endMin } = outing
  const latestBeforeRest = new Array<number>(n + 1)
  const latestAfterRest = new Array<number>(n + 1)
  const homeLeg = travelMin[at]![outing.end]!
  latestAfterRest[n] = endMin - homeLeg
  latestBeforeRest[n] = rest
    ? Math.max(
        Math.min(rest.to, endMin) - homeLeg,
        rest.from + rest.minutes + homeLeg <= endMin ? Math.min(rest.to, endMin - homeLeg - rest.minutes) : -never,
      )
    : -never
  for (let i = n - 1; i >= 0; i--) {
    const stop = stops[route[i]!]!
    const from = i > 0 ? stops[route[i - 1]!]!.place : outing.start
    const leg = travelMin[from]![stop.place]!
    const rested = latestArrival(stop, Math.min(latestAfterRest[i + 1]!, endMin))
    latestAfterRest[i] = rested - leg
    latestBeforeRest[i] = rest
      ? Math.max(
          latestArrival(stop, Math.min(latestBeforeRest[i + 1]!, rest.to, endMin)),
          rest.from + rest.minutes <= rested ? Math.min(rest.to, rested - rest.minutes) : -never,
        ) - leg
      : -never
  }
  const early = earliestBeforeRest[n]! + homeLeg
  const finishMin =
    n === 0
      ? outing.startMin
      : Math.min(
          rest && early <= rest.to ? early : never,
          earliestAfterRest[n]! + homeLeg,
          rest && earliestBeforeRest[n]! <= rest.to
            ? Math.max(earliestBeforeRest[n]!, rest.from) + rest.minutes + homeLeg
            : never,
        )
  return {
    route,
    travelMin: n === 0 ? 0 : travel + homeLeg,
    finishMin,
    earliestBeforeRest,
    earliestAfterRest,
    latestBeforeRest,
    latestAfterRest,
  }
}

/** Whether a stop can come before the one that is now at that place of the order. */
export function fitsAt(problem: DayProblem, outing: Outing, leeway: Leeway, i: number, index: number): boolean {
  const { travelMin, stops } = problem
  const { route } = leeway
  const stop = stops[index]!
  const from = i > 0 ? stops[route[i - 1]!]!.place : outing.start
  const to = i < route.length ? stops[route[i]!]!.place : outing.end
  const leg = travelMin[from]![stop.place]!
  const earlyU = leeway.earliestBeforeRest[i]! + leg
  const before = throughBeforeRest(outing, stop, earlyU)
  const after = throughAfterRest(outing, stop, earlyU, leeway.earliestAfterRest[i]! + leg)
  // The latest moments were reckoned for leaving where one is now; leaving the new stop, its own leg on counts.
  const shift = travelMin[stop.place]![to]! - travelMin[from]![to]!
  if (after <= leeway.latestAfterRest[i]! - shift) return true
  return i === route.length
    ? isHomeInTime(outing, before, travelMin[stop.place]![to]!)
    : before <= latestBeforeNext(problem, outing, leeway, i, stop)
}

/** Latest moment before the break of leaving a new stop for the one that is at that place now. */
function latestBeforeNext(
  problem: DayProblem,
  { rest, endMin }: Outing,
  leeway: Leeway,
  i: number,
  from: Stop,
): number {
  if (!rest) return -never
  const next = problem.stops[leeway.route[i]!]!
  const leg = problem.travelMin[from.place]![next.place]!
  const rested = latestArrival(next, Math.min(leeway.latestAfterRest[i + 1]!, endMin))
  return (
    Math.max(
      latestArrival(next, Math.min(leeway.latestBeforeRest[i + 1]!, rest.to, endMin)),
      rest.from + rest.minutes <= rested ? Math.min(rest.to, rested - rest.minutes) : -never,
    ) - leg
  )
}

function isHomeInTime({ rest, endMin }: Outing, before: number, homeLeg: number): boolean {
  if (!rest) return false
  return (
    before + homeLeg <= Math.min(rest.to, endMin) ||
    (before <= rest.to && Math.max(before, rest.from) + rest.minutes + homeLeg <= endMin)
  )
}

function throughBeforeRest({ rest }: Outing, stop: Stop, arrival: number): number {
  if (!rest) return never
  const through = beginsAt(stop, arrival) + stop.serviceMin
  return through <= rest.to ? through : never
}

function throughAfterRest({ rest }: Outing, stop: Stop, before: number, after: number): number {
  const straight = beginsAt(stop, after) + stop.serviceMin
  if (!rest || before > rest.to) return straight
  const rested = Math.max(before, rest.from) + rest.minutes
  return Math.min(straight, beginsAt(stop, rested) + stop.serviceMin)
}

/** Latest arrival that is through with the work by then. */
function latestArrival({ open, serviceMin }: Stop, by: number): number {
  const begin = by - serviceMin
  for (let i = open.length - 1; i >= 0; i--) if (open[i]!.from <= begin) return Math.min(open[i]!.to, begin)
  return -never
}
