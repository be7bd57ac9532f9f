import type { Bounds, FirstPassage } from '../usage/first-passage.ts'
import { bounds, horizonDays } from '../usage/first-passage.ts'

/**
 * One limit's first passage: the day it is reached if use turns out at this quantile of earliness
 * (0.1: one chance in ten that it is reached sooner). Null beyond the horizon.
 */
export interface Passage<Name extends string> {
  name: Name
  dayAt(chance: number): number | null
  /** The same day whatever the use: age, hygiene, a prompt already given. */
  fixed?: boolean
}

/** One whose chance by a day can be asked too: what a window over lives needs. */
export interface LifePassage<Name extends string> extends Passage<Name>, FirstPassage {}

export interface DueWindow<Name extends string> {
  due: Bounds<number>
  /** The limit that is most often first. */
  governing: Name
}

const grid = Array.from({ length: 15 }, (_, i) => (i + 0.5) / 15)

/**
 * The window of the earliest first passage over all limits.
 *
 * One machine's business drives all its clocks at once: a busy month brings shots and litres forward
 * together. So the limits move along one common quantile, and the quantile of the earliest is the
 * earliest of the quantiles: exact, without sampling.
 *
 * @returns null when no limit is reached within the horizon
 */
export function dueWindow<Name extends string>(all: Passage<Name>[]): DueWindow<Name> | null {
  const p10 = earliest(all, bounds.p10)
  // A fixed day that comes first even in the busiest of cases comes first in all.
  const passages = p10?.fixed ? all.filter((passage) => passage.fixed) : all
  const p50 = earliest(passages, bounds.p50)
  if (p10 === null || p50 === null) return null
  // Beyond what any limit reaches, the end of what is forecast stands for "later than that".
  const p90 = earliest(passages, bounds.p90) ?? { day: p50.day + horizonDays, name: p50.name }

  // Who leads in the middle and at one end leads most of the way: counting is for three leaders.
  if (p50.name === p10.name || p50.name === p90.name)
    return { due: { p10: p10.day, p50: p50.day, p90: p90.day }, governing: p50.name }
  const first = new Map<Name, number>()
  for (const chance of grid) {
    const leader = earliest(passages, chance)
    if (leader) first.set(leader.name, (first.get(leader.name) ?? 0) + 1)
  }
  const governing = [...first].sort((a, b) => b[1] - a[1])[0]?.[0] ?? p50.name
  return { due: { p10: p10.day, p50: p50.day, p90: p90.day }, governing }
}

function earliest<Name extends string>(passages: Passage<Name>[], chance: number) {
  let best: { day: number; name: Name; fixed?: boolean } | null = null
  for (const passage of passages) {
    const day = passage.dayAt(chance)
    if (day !== null && (best === null || day < best.day)) best = { day, name: passage.name, fixed: passage.fixed }
  }
  return best
}
