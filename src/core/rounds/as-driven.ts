import type { DayProblem, Outing } from './day-problem.ts'
import { type Timetable, timetable } from './timetable.ts'

/** A day as it would go, whatever its hours say. */
export interface DrivenDay extends Timetable {
  /** Stops whose work begins after it may, by minutes. */
  lateBy: Map<number, number>
  /** Minutes past the end of the day. */
  overMin: number
}

const never = 1e9

/**
 * When somebody is where in a given order, even where the hours do not allow it: what is then too late is told, not
 * refused.
 */
export function asDriven(problem: DayProblem, outing: Outing, order: readonly number[]): DrivenDay {
  const kept = timetable(problem, outing, order)
  if (kept) return { ...kept, lateBy: new Map(), overMin: 0 }
  const lenient: DayProblem = {
    ...problem,
    stops: problem.stops.map((stop) => ({
      ...stop,
      open: [...stop.open, { from: stop.open.at(-1)?.to ?? 0, to: never }],
    })),
  }
  const rest = outing.rest && { ...outing.rest, to: never }
  const told = timetable(lenient, { ...outing, endMin: never, ...(rest && { rest }) }, order)!
  const lateBy = new Map<number, number>()
  for (const { stop, beginMin } of told.stops) {
    const latest = problem.stops[stop]!.open.at(-1)?.to
    if (latest === undefined || beginMin > latest) lateBy.set(stop, beginMin - (latest ?? 0))
  }
  return { ...told, lateBy, overMin: Math.max(0, told.finishMin - outing.endMin) }
}
