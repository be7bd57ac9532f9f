import { asDriven } from './as-driven.ts'
import type { DayProblem, Outing, Stop } from './day-problem.ts'
import { type Timetable, timetable } from './timetable.ts'

/** One way to put a stop more into somebody’s day, or to stay longer at one. */
export interface Moment {
  /** Its place in the order, from 0. */
  at: number
  order: number[]
  /** Minutes on the road more than in the day as it stands. */
  detourMin: number
  beginMin: number
  endMin: number
  finishMin: number
  /** A stop that has no room then; nobody was promised it. */
  out: number | null
  /** Stops that are begun later than they would have been. */
  later: { stop: number; byMin: number }[]
}

/** A stop that begins so little later is as it was. From memory. */
const littleLaterMin = 5

/**
 * Every way to put a stop more into a day as it stands, the least detour first. Where the day has no room for it, one
 * stop that was promised nobody is left out.
 *
 * @param order - the day as it stands, without the stop
 * @param mayLeave - stops that were promised nobody
 * @returns none where the stop’s hours or the day’s do not allow it
 */
export function momentsIn(
  problem: DayProblem,
  outing: Outing,
  order: readonly number[],
  stop: number,
  mayLeave: ReadonlySet<number>,
): Moment[] {
  const was = asDriven(problem, outing, order)
  const into = (rest: readonly number[], out: number | null): Moment[] =>
    Array.from({ length: rest.length + 1 }, (_, at) => at).flatMap((at) =>
      driven(problem, outing, rest.toSpliced(at, 0, stop), { stop, out, was }),
    )
  return roomFor(order, mayLeave, into)
}

/**
 * The day as it stands, with a longer stay at one of its stops; where it has no room for that, without one stop that
 * was promised nobody.
 *
 * @param order - the day as it stands, with the stop
 * @param longer - the stop as it is then
 */
export function momentsWhenLonger(
  problem: DayProblem,
  outing: Outing,
  order: readonly number[],
  {
    stop,
    longer,
    mayLeave,
  }: { stop: number; longer: Pick<Stop, 'serviceMin' | 'open'>; mayLeave: ReadonlySet<number> },
): Moment[] {
  const was = asDriven(problem, outing, order)
  const then = { ...problem, stops: problem.stops.map((one, i) => (i === stop ? { ...one, ...longer } : one)) }
  return roomFor(order, new Set([...mayLeave].filter((one) => one !== stop)), (rest, out) =>
    driven(then, outing, rest, { stop, out, was }),
  )
}

/** With all stops that stand; where that does not go, without each that may be left out. */
function roomFor(
  order: readonly number[],
  mayLeave: ReadonlySet<number>,
  ways: (rest: readonly number[], out: number | null) => Moment[],
): Moment[] {
  const whole = ways(order, null)
  const all =
    whole.length > 0
      ? whole
      : order
          .filter((one) => mayLeave.has(one))
          .flatMap((out) =>
            ways(
              order.filter((one) => one !== out),
              out,
            ),
          )
  return all.sort((a, b) => a.detourMin - b.detourMin || a.beginMin - b.beginMin)
}

/** One order as it would go, beside the day as it stands; none where it cannot be driven. */
function driven(
  problem: DayProblem,
  outing: Outing,
  order: readonly number[],
  { stop, out, was }: { stop: number; out: number | null; was: Timetable },
): Moment[] {
  const way = timetable(problem, outing, order)
  if (!way) return []
  const there = way.stops.find((one) => one.stop === stop)!
  const before = new Map(was.stops.map((one) => [one.stop, one.beginMin]))
  return [
    {
      at: order.indexOf(stop),
      order: [...order],
      detourMin: roadOf(way) - roadOf(was),
      beginMin: there.beginMin,
      endMin: there.endMin,
      finishMin: way.finishMin,
      out,
      later: way.stops.flatMap(({ stop: other, beginMin }) => {
        const byMin = beginMin - (before.get(other) ?? beginMin)
        return other !== stop && byMin >= littleLaterMin ? [{ stop: other, byMin }] : []
      }),
    },
  ]
}

const roadOf = ({ stops, homeLegMin }: Timetable): number =>
  stops.reduce((sum, { legMin }) => sum + legMin, stops.length > 0 ? homeLegMin : 0)
