import { bestDay } from './best-day.ts'
import { compareDays, type DayCost, type DayProblem, type Outing } from './day-problem.ts'
import { costOf, walked } from './walk.ts'

/** A stop that a day cannot hold: its hours alone forbid it, or the day is full. */
export interface LeftStop {
  stop: number
  why: 'no-hours' | 'out-of-reach' | 'full'
}

/** One technician’s day in the order that stands, with what a better one would save. */
export interface StandingOrder {
  order: number[]
  left: LeftStop[]
  /** Of the order that stands. */
  travelMin: number
  finishMin: number
  better: Better | null
}

export interface Better {
  order: number[]
  savesMin: number
  /** Home so much sooner. */
  soonerMin: number
  /** Stops it holds that the other does not. */
  more: number
}

/** Below these nobody changes an order. From memory. */
const worthRoadMin = 3
const worthSoonerMin = 10

/**
 * The order of a day: as somebody set it, with what came since put where it costs least, else the best there is. What
 * was agreed is never left out for what is only proposed.
 *
 * @param problem - of one outing
 * @param agreed - stops that were promised for this day
 * @param kept - the order somebody set; stops may be missing from it, or gone
 * @param rounds - how long more than ten stops are looked at
 */
export function standingOrder(
  problem: DayProblem,
  { agreed, kept, rounds }: { agreed: ReadonlySet<number>; kept?: readonly number[]; rounds: number },
): StandingOrder {
  const [outing] = problem.outings as [Outing]
  const best = bestHolding(problem, agreed, rounds)
  const order = kept ? withTheRest(problem, outing, asFarAsItGoes(problem, outing, kept), agreed) : best
  const cost = costOf(problem, [order])!
  const left = problem.stops.flatMap((_, stop) =>
    order.includes(stop) ? [] : [{ stop, why: whyLeft(problem, outing, stop) }],
  )
  return {
    order,
    left,
    travelMin: cost.travelMin,
    finishMin: cost.finishMin,
    better: kept ? betterThan(cost, best, costOf(problem, [best])!) : null,
  }
}

/** The best order of all that the day can hold; where it cannot hold all, what was agreed first. */
function bestHolding(problem: DayProblem, agreed: ReadonlySet<number>, rounds: number): number[] {
  const [outing] = problem.outings as [Outing]
  const order = [...bestDay(problem, { rounds }).routes[0]!]
  const isLeft = (stop: number) => !order.includes(stop)
  if (![...agreed].some(isLeft) || order.every((stop) => agreed.has(stop))) return order
  const first = bestDay({ ...problem, may: (stop) => agreed.has(stop) }, { rounds }).routes[0]!
  return withTheRest(problem, outing, [...first], agreed)
}

/** An order somebody set, without what cannot be driven any more. */
function asFarAsItGoes(problem: DayProblem, outing: Outing, kept: readonly number[]): number[] {
  const order: number[] = []
  for (const stop of kept) if (walked(problem, outing, [...order, stop])) order.push(stop)
  return order
}

/** What is missing is put where it costs least, what was agreed first; nowhere where it does not fit. */
function withTheRest(problem: DayProblem, outing: Outing, order: number[], agreed: ReadonlySet<number>): number[] {
  const missing = problem.stops.flatMap((_, stop) => (order.includes(stop) ? [] : [stop]))
  let now = order
  for (const stop of missing.sort((a, b) => Number(agreed.has(b)) - Number(agreed.has(a))))
    now = putInto(problem, outing, now, stop)?.order ?? now
  return now
}

/**
 * Where one more stop costs least in an order that stands.
 * @returns null where it fits nowhere
 * @example putInto(problem, outing, [0, 1], 2) // { order: [0, 2, 1], at: 1, travelMin, finishMin }
 */
export function putInto(problem: DayProblem, outing: Outing, order: readonly number[], stop: number) {
  let best: { order: number[]; at: number; travelMin: number; finishMin: number } | null = null
  for (let at = 0; at <= order.length; at++) {
    const tried = order.toSpliced(at, 0, stop)
    const way = walked(problem, outing, tried)
    const isBetter = !best || (way && (way.travelMin - best.travelMin || way.finishMin - best.finishMin) < 0)
    if (way && isBetter) best = { order: tried, at, ...way }
  }
  return best
}

function whyLeft(problem: DayProblem, outing: Outing, stop: number): LeftStop['why'] {
  if (problem.stops[stop]!.open.length === 0) return 'no-hours'
  return walked(problem, outing, [stop]) ? 'full' : 'out-of-reach'
}

function betterThan(now: DayCost, order: number[], cost: DayCost): Better | null {
  const better = {
    order,
    savesMin: now.travelMin - cost.travelMin,
    soonerMin: now.finishMin - cost.finishMin,
    more: now.unserved - cost.unserved,
  }
  const isWorth = better.more > 0 || better.savesMin >= worthRoadMin || better.soonerMin >= worthSoonerMin
  return compareDays(cost, now) < 0 && isWorth ? better : null
}

/**
 * What one order asks of another, where a single stop changes its place.
 * @returns null where more than one does, or none
 * @example oneMoved([0, 1, 2, 3], [0, 3, 1, 2]) // { stop: 3, before: 1 }
 */
export function oneMoved(
  from: readonly number[],
  to: readonly number[],
): { stop: number; before: number | null } | null {
  if (from.length !== to.length) return null
  // Two neighbours changed: the later one comes first.
  for (const stop of [...from].reverse()) {
    const at = to.indexOf(stop)
    if (at < 0 || from.indexOf(stop) === at) continue
    const others = from.filter((other) => other !== stop)
    if (others.toSpliced(at, 0, stop).every((other, i) => other === to[i])) return { stop, before: to[at + 1] ?? null }
  }
  return null
}
