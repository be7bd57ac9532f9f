import { diceOf } from '../quantity/dice.ts'
import { compareDays, type DayCost, type DayProblem, type DayRoutes } from './day-problem.ts'
import { exactOrder, exactStops } from './exact-order.ts'
import { fitsAt, type Leeway, leewayOf } from './leeway.ts'
import { costOf, walked } from './walk.ts'

/** How long to look, and from where. */
export interface Search {
  /** What was planned so far: the answer is never worse. */
  given?: DayRoutes
  /** How often some stops are taken out and put back, at most; more finds more. */
  rounds: number
  seed?: number
  /** Asked now and then: the share of the time allowed that has gone by. At 1 the search ends. */
  spent?(cost: DayCost, done: number): number
}

export interface FoundDay {
  routes: number[][]
  cost: DayCost
}

const perLook = 200
/** Stops taken out at once: about so many of them all, and never more. */
const shareOut = 0.25
const mostOut = 10
/** Now and then the best place is passed over, so that not the same day is built each time. */
const blink = 0.02
/** While it is warm a stop left out is worth so many legs. */
const perStop = 4
/** Warmth at the beginning and the end, as a share of a usual leg. */
const warmth = { first: 0.3, last: 0.003 }

/**
 * A good day for any number of stops and technicians: neighbouring stops are taken out of their outings and put back
 * where they cost least (ruin and recreate, Schrimpf et al. 2000), worse days are accepted now and then while it is
 * warm (simulated annealing, Kirkpatrick et al. 1983), and each outing of ten stops or fewer is put in order exactly.
 * The same seed gives the same day.
 */
export function searchDay(problem: DayProblem, { given, rounds, seed = 1, spent }: Search): FoundDay {
  const dice = diceOf(seed)
  const n = problem.stops.length
  const { travelMin } = problem
  const room = problem.stops.map(({ open }) => open.reduce((sum, { from, to }) => sum + to - from, 0))
  const near = neighbours(problem)
  const start = startingDay(problem, given)
  if (n === 0) return start
  let now = start.routes.map((route, k) => leewayOf(problem, problem.outings[k]!, route))
  let cost = start.cost
  let best = start
  const leg = Math.max(1, cost.travelMin / (n + problem.outings.length))
  let gone = 0
  for (let done = 0; done < rounds; done++) {
    if (spent && done % perLook === 0) gone = spent(best.cost, done)
    if (gone >= 1) break
    const heat = leg * warmth.first * (warmth.last / warmth.first) ** Math.max(gone, done / rounds)
    const next = [...now]
    for (const stop of takeOut(next)) putBack(next, stop)
    const costs = sumOf(next)
    const further = costs.travelMin - cost.travelMin + (costs.unserved - cost.unserved) * leg * perStop
    if (compareDays(costs, cost) > 0 && dice.next() >= Math.exp(-further / heat)) continue
    now = next
    cost = costs
    if (compareDays(cost, best.cost) < 0) best = { routes: now.map(({ route }) => [...route]), cost }
  }
  return exactWhereSmall(problem, best)

  /** Stops around one of them leave their outings, and whatever no outing has is tried again. */
  function takeOut(outings: Leeway[]): number[] {
    const first = Math.floor(dice.next() * n)
    const many = Math.min(mostOut, Math.max(1, Math.ceil(dice.next() * 2 * shareOut * n)))
    const out = new Set<number>()
    for (const stop of near[first]!) {
      if (out.size >= many) break
      if (dice.next() < 0.85) out.add(stop)
    }
    const isIn = new Uint8Array(n)
    for (const [k, { route }] of outings.entries()) {
      for (const stop of route) isIn[stop] = 1
      if (!route.some((stop) => out.has(stop))) continue
      outings[k] = leewayOf(
        problem,
        problem.outings[k]!,
        route.filter((stop) => !out.has(stop)),
      )
    }
    for (let stop = 0; stop < n; stop++) if (!isIn[stop]) out.add(stop)
    return inSomeOrder([...out])
  }

  /** At random, or the ones with the least room in their hours first. */
  function inSomeOrder(stops: number[]): number[] {
    const byRoom = dice.next() < 0.3
    const key = new Map(stops.map((stop) => [stop, byRoom ? room[stop]! : dice.next()]))
    return stops.sort((a, b) => key.get(a)! - key.get(b)!)
  }

  /** To where it costs the least further way; nowhere where it does not fit. */
  function putBack(outings: Leeway[], stop: number): void {
    const place = problem.stops[stop]!.place
    let best: { k: number; i: number; more: number } | null = null
    for (const [k, leeway] of outings.entries()) {
      if (!(problem.may?.(stop, k) ?? true)) continue
      const outing = problem.outings[k]!
      const { route } = leeway
      let from = outing.start
      for (let i = 0; i <= route.length; i++) {
        const to = i < route.length ? problem.stops[route[i]!]!.place : outing.end
        const gone = route.length === 0 ? 0 : travelMin[from]![to]!
        const more = travelMin[from]![place]! + travelMin[place]![to]! - gone
        if ((!best || more < best.more) && dice.next() >= blink && fitsAt(problem, outing, leeway, i, stop))
          best = { k, i, more }
        from = to
      }
    }
    if (!best) return
    outings[best.k] = leewayOf(problem, problem.outings[best.k]!, outings[best.k]!.route.toSpliced(best.i, 0, stop))
  }

  function sumOf(outings: Leeway[]): DayCost {
    let unserved = n
    let travel = 0
    let finishMin = 0
    for (const { route, travelMin: own, finishMin: at } of outings) {
      if (route.length === 0) continue
      unserved -= route.length
      travel += own
      finishMin = Math.max(finishMin, at)
    }
    return { unserved, travelMin: travel, finishMin }
  }
}

/** What was given, as far as it can be driven: what cannot is left out and put in again by the search. */
function startingDay(problem: DayProblem, given: DayRoutes | undefined): FoundDay {
  const routes = problem.outings.map((outing, k) => {
    const route: number[] = []
    for (const stop of given?.[k] ?? [])
      if ((problem.may?.(stop, k) ?? true) && walked(problem, outing, [...route, stop])) route.push(stop)
    return route
  })
  return { routes, cost: costOf(problem, routes)! }
}

function exactWhereSmall(problem: DayProblem, { routes }: FoundDay): FoundDay {
  const exact = routes.map((route, k) => (route.length > exactStops ? route : exactOrder(problem, route, k).order))
  return { routes: exact, cost: costOf(problem, exact)! }
}

/** For each stop all of them, itself first, the nearest next. */
function neighbours({ stops, travelMin }: DayProblem): number[][] {
  return stops.map(({ place }, self) => {
    const far = stops.map((other) => Math.min(travelMin[place]![other.place]!, travelMin[other.place]![place]!))
    far[self] = Number.NEGATIVE_INFINITY
    return far.map((_, i) => i).sort((a, b) => far[a]! - far[b]!)
  })
}
