import { type AlongClock, alongWords } from '../wear/limits.ts'
import { type Level, nearestAlong } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'

/** How often something happens that nobody counts, of the whole machine. */
export interface AlongCount {
  perDrink: number
  perOpenDay: number
  unit: string
  level: Level | 'catalogue'
}

/** @returns null for a kind that does not know it */
export function alongCount({ histories, kind, hasAlongCounts }: MachineFacts, clock: AlongClock): AlongCount | null {
  const own = hasAlongCounts ? nearestAlong(histories, clock) : null
  const { unit } = alongWords[clock]
  if (own) return { perDrink: own.body.perDrink, perOpenDay: own.body.perOpenDay, unit, level: own.level }
  const usual = kind.counts[clock]
  return usual ? { perDrink: usual.perDrink ?? 0, perOpenDay: usual.perOpenDay ?? 0, unit, level: 'catalogue' } : null
}
