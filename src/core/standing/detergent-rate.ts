import { type Level, nearestSetting } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'

/** How often a machine is cleaned with detergent: so many times an open day, or once every so many drinks. */
export interface DetergentRate {
  daily: number | null
  every: number | null
  level: Level | 'catalogue'
}

/** @returns null where it never is */
export function detergentRate({ histories, kind, school }: MachineFacts): DetergentRate | null {
  const own = nearestSetting(histories, 'detergent')
  if (own) {
    const { perOpenDay, everyDrinks } = own.body
    if (perOpenDay === 0) return null
    return { daily: perOpenDay ?? null, every: everyDrinks ?? null, level: own.level }
  }
  if (!kind.detergent) return null
  return 'perOpenDay' in kind.detergent
    ? { daily: kind.detergent.perOpenDay, every: null, level: 'catalogue' }
    : { daily: null, every: kind.detergent.everyDrinks[school.value], level: 'catalogue' }
}
