import type { DayProblem, Outing, Span } from './day-problem.ts'
import { beginsAt } from './walk.ts'

/** One stop of an outing, minutes after midnight. */
export interface TimedStop {
  stop: number
  /** On the road to it. */
  legMin: number
  /** Before any wait. */
  arriveMin: number
  beginMin: number
  endMin: number
  /** A break taken on arrival, before the work. */
  rest?: Span
}

export interface Timetable {
  stops: TimedStop[]
  /** On the road home. */
  homeLegMin: number
  finishMin: number
  /** A break taken after the last stop, before the way home. */
  restAtEnd?: Span
}

/**
 * When somebody is where, with the break where it costs the least: of all places for it the one that is home first, of
 * those the one where the work begins soonest, so that nobody breaks before a door that is open.
 *
 * @returns null where the order cannot be driven in the hours there are
 */
export function timetable(problem: DayProblem, outing: Outing, order: readonly number[]): Timetable | null {
  if (order.length === 0) return { stops: [], homeLegMin: 0, finishMin: outing.startMin }
  // No break at all comes first where one is home before it is over.
  const places = outing.rest ? [null, ...order.keys(), order.length] : [null]
  let best: Timetable | null = null
  for (const place of places) {
    const told = withRestBefore(problem, outing, order, place)
    if (told && (!best || isSooner(told, best))) best = told
  }
  return best
}

function isSooner(a: Timetable, b: Timetable): boolean {
  if (a.finishMin !== b.finishMin) return a.finishMin < b.finishMin
  const begins = ({ stops }: Timetable) => stops.reduce((sum, { beginMin }) => sum + beginMin, 0)
  return begins(a) < begins(b)
}

/** @param restBefore - which stop, counted from 0, the break is taken before; null: none */
function withRestBefore(problem: DayProblem, outing: Outing, order: readonly number[], restBefore: number | null) {
  const { rest } = outing
  const takes = (at: number): Span | null => {
    if (!rest || at > rest.to) return null
    const from = Math.max(at, rest.from)
    return { from, to: from + rest.minutes }
  }
  let at = outing.startMin
  let place = outing.start
  const stops: TimedStop[] = []
  for (const [i, index] of order.entries()) {
    const stop = problem.stops[index]!
    const legMin = problem.travelMin[place]![stop.place]!
    const arriveMin = at + legMin
    const pause = restBefore === i ? takes(arriveMin) : undefined
    if (pause === null) return null
    const beginMin = beginsAt(stop, pause?.to ?? arriveMin)
    const endMin = beginMin + stop.serviceMin
    if (endMin > outing.endMin) return null
    stops.push({ stop: index, legMin, arriveMin, beginMin, endMin, ...(pause && { rest: pause }) })
    at = endMin
    place = stop.place
  }
  const restAtEnd = restBefore === order.length ? takes(at) : undefined
  if (restAtEnd === null) return null
  const homeLegMin = problem.travelMin[place]![outing.end]!
  const finishMin = (restAtEnd?.to ?? at) + homeLegMin
  if (finishMin > outing.endMin || (rest && restBefore === null && finishMin > rest.to)) return null
  return { stops, homeLegMin, finishMin, ...(restAtEnd && { restAtEnd }) }
}
