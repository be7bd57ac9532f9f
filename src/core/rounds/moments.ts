import type { DayProblem, Outing } from './day-problem.ts'
import { timetable } from './timetable.ts'
import { walked } from './walk.ts'

/** One way to put a stop more into somebody’s day. */
export interface Moment {
  /** Its place in the order, from 0. */
  at: number
  order: number[]
  /** Minutes on the road more than without it. */
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
  const was = walked(problem, outing, order)
  const roadBefore = was?.travelMin ?? 0
  const before = new Map(timetable(problem, outing, order)?.stops.map((one) => [one.stop, one.beginMin]))
  const into = (rest: readonly number[], out: number | null): Moment[] =>
    Array.from({ length: rest.length + 1 }, (_, at) => at).flatMap((at) => {
      const tried = rest.toSpliced(at, 0, stop)
      const way = timetable(problem, outing, tried)
      if (!way) return []
      const there = way.stops.find((one) => one.stop === stop)!
      return [
        {
          at,
          order: tried,
          detourMin: walked(problem, outing, tried)!.travelMin - roadBefore,
          beginMin: there.beginMin,
          endMin: there.endMin,
          finishMin: way.finishMin,
          out,
          later: way.stops.flatMap(({ stop: other, beginMin }) => {
            const byMin = beginMin - (before.get(other) ?? beginMin)
            return byMin >= littleLaterMin ? [{ stop: other, byMin }] : []
          }),
        },
      ]
    })
  const fits = into(order, null)
  const all =
    fits.length > 0
      ? fits
      : order
          .filter((one) => mayLeave.has(one))
          .flatMap((out) =>
            into(
              order.filter((one) => one !== out),
              out,
            ),
          )
  return all.sort((a, b) => a.detourMin - b.detourMin || a.beginMin - b.beginMin)
}
