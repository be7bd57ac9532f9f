import { type Level, nearestSetting } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'

/** How often a machine is cleaned with detergent: so many times an open day, or once every so many drinks. */
export interface DetergentRate {
  daily: number | null
  every: number | null
  level: Level | 'catalogue'
}

/** Tasks that detergent goes through the group for, by the names kinds have for them. */
const withDetergent = ['detergent-backflush', 'cleaning-programme']

/** @returns null where it never is */
export function detergentRate({ histories, kind, policy, wayLives, opening }: MachineFacts): DetergentRate | null {
  const own = nearestSetting(histories, 'detergent')
  if (own) {
    const { perOpenDay, everyDrinks } = own.body
    if (perOpenDay === 0) return null
    return { daily: perOpenDay ?? null, every: everyDrinks ?? null, level: own.level }
  }
  if (!kind.detergent) return null
  // The way that was chosen says how often: seals age by what is done, not by what is usual.
  const way = withDetergent.map((task) => wayLives.get(task)).find((one) => one !== undefined)
  if (way?.rhythm.drinks) return { daily: null, every: way.rhythm.drinks, level: way.level }
  if (way?.rhythm.days)
    return { daily: Math.min(1, 1 / (way.rhythm.days * opening.shareOpen)), every: null, level: way.level }
  return 'perOpenDay' in kind.detergent
    ? { daily: kind.detergent.perOpenDay, every: null, level: 'catalogue' }
    : { daily: null, every: kind.detergent.everyDrinks[policy.value], level: 'catalogue' }
}
