import type { DayProblem, DayRoutes } from './day-problem.ts'
import { putInto } from './standing-order.ts'
import { walked } from './walk.ts'

/** One stop that goes from one technician’s day to another’s. */
export interface Handed {
  stop: number
  from: number
  to: number
}

/** A stop handed over, or two exchanged, with the orders of both days then. */
export interface HandOver {
  moves: Handed[]
  /** Of road, both days together; below 0 where a stop that nobody had costs road. */
  savesMin: number
  /** Stops that find a place in a day and had none. */
  more: number
  /** By outing, of those that change. */
  orders: Map<number, number[]>
}

/** For less road nobody takes over somebody else’s key. From memory. */
const worthMin = 10

/**
 * The best single stop to give to somebody else, or the best two to exchange, each put where it costs least in an order
 * that stands: first what brings in a stop that no day holds, then what saves most road.
 *
 * @param routes - everybody’s order as it stands
 * @param left - stops that do not fit, with whose they are
 * @param movable - whether a stop may be given away at all; whom it may be given to says `problem.may`
 */
export function bestHandOver(
  problem: DayProblem,
  routes: DayRoutes,
  left: readonly { stop: number; of: number }[],
  movable: (stop: number) => boolean,
): HandOver | null {
  const may = (stop: number, outing: number) => problem.may?.(stop, outing) ?? true
  const without = (outing: number, stop: number) => routes[outing]!.filter((other) => other !== stop)
  const road = (outing: number, order: readonly number[]) => walked(problem, problem.outings[outing]!, order)?.travelMin
  const now = routes.map((order, k) => road(k, order) ?? 0)
  let best: HandOver | null = null
  const offer = (one: HandOver) => {
    if (one.more === 0 && one.savesMin < worthMin) return
    if (!best || one.more > best.more || (one.more === best.more && one.savesMin > best.savesMin)) best = one
  }
  for (const { stop, of } of left)
    for (const to of routes.keys()) {
      if (to === of || !movable(stop) || !may(stop, to)) continue
      const put = putInto(problem, problem.outings[to]!, routes[to]!, stop)
      if (put)
        offer({
          moves: [{ stop, from: of, to }],
          savesMin: now[to]! - put.travelMin,
          more: 1,
          orders: new Map([[to, put.order]]),
        })
    }
  for (const [from, order] of routes.entries())
    for (const stop of order.filter(movable)) {
      const lighter = without(from, stop)
      const lighterMin = road(from, lighter)
      if (lighterMin === undefined) continue
      for (const to of routes.keys()) {
        if (to === from || !may(stop, to)) continue
        const put = putInto(problem, problem.outings[to]!, routes[to]!, stop)
        if (put)
          offer({
            moves: [{ stop, from, to }],
            savesMin: now[from]! + now[to]! - lighterMin - put.travelMin,
            more: 0,
            orders: new Map([
              [from, lighter],
              [to, put.order],
            ]),
          })
        // Each pair is tried once.
        if (to < from) continue
        for (const other of routes[to]!.filter(movable)) {
          if (!may(other, from)) continue
          const here = putInto(problem, problem.outings[from]!, lighter, other)
          const there = here && putInto(problem, problem.outings[to]!, without(to, other), stop)
          if (here && there)
            offer({
              moves: [
                { stop, from, to },
                { stop: other, from: to, to: from },
              ],
              savesMin: now[from]! + now[to]! - here.travelMin - there.travelMin,
              more: 0,
              orders: new Map([
                [from, here.order],
                [to, there.order],
              ]),
            })
        }
      }
    }
  return best
}
