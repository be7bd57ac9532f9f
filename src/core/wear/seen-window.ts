import { bounds, horizonDays } from '../usage/first-passage.ts'
import type { DueWindow, Passage } from './due-window.ts'
import type { LifeMultiplier } from './seen-condition.ts'

const chances = Array.from({ length: 9 }, (_, i) => (i + 0.5) / 9)

/**
 * The window of the earliest first passage where not only the use is uncertain but the life itself: both spreads
 * together, over a grid of lives and of chances of use.
 *
 * @param passagesOf - the passages of all clocks for a part that lasts so many times as long
 * @returns null when it is more likely than not that nothing runs out within the horizon
 */
export function seenWindow<Name extends string>(
  passagesOf: (multiplier: number) => Passage<Name>[],
  life: LifeMultiplier,
): DueWindow<Name> | null {
  const days: { day: number; weight: number }[] = []
  const first = new Map<Name, number>()
  for (const { multiplier, weight } of life.points) {
    if (weight < 1e-4) continue
    const passages = passagesOf(multiplier)
    for (const chance of chances) {
      let best: { day: number; name: Name } | null = null
      for (const passage of passages) {
        const day = passage.dayAt(chance)
        if (day !== null && (best === null || day < best.day)) best = { day, name: passage.name }
      }
      days.push({ day: best?.day ?? Number.POSITIVE_INFINITY, weight: weight / chances.length })
      if (best) first.set(best.name, (first.get(best.name) ?? 0) + weight)
    }
  }
  days.sort((a, b) => a.day - b.day)
  const at = (chance: number) => {
    let sum = 0
    for (const { day, weight } of days) {
      sum += weight
      if (sum >= chance) return day
    }
    return days.at(-1)?.day ?? Number.POSITIVE_INFINITY
  }
  const [p10, p50, p90] = [at(bounds.p10), at(bounds.p50), at(bounds.p90)]
  const governing = [...first].sort((a, b) => b[1] - a[1])[0]?.[0]
  if (!Number.isFinite(p50) || governing === undefined) return null
  return { due: { p10, p50, p90: Number.isFinite(p90) ? p90 : p50 + horizonDays }, governing }
}
