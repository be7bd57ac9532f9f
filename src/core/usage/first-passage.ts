import { wandering } from './drift.ts'
import type { OpenDays } from './open-days.ts'
import { type Rate, type Waiting, waitingFor } from './rate.ts'

/** The three bounds every forecast is given with. */
export const bounds = { p10: 0.1, p50: 0.5, p90: 0.9 } as const
export type Bounds<T> = Record<keyof typeof bounds, T>

/** Forecasts stop here: nobody plans a gasket eleven years ahead. */
export const horizonDays = 3653

/**
 * When something will be passed: the day at a chance, and the chance by the end of a day. One is the other's inverse.
 */
export interface FirstPassage {
  /** Null beyond what is forecast. */
  dayAt(chance: number): number | null
  /** By `Infinity`: within what is forecast. */
  chanceBy(day: number): number
}

/** A day that is certain, whatever the use; null: never. */
export const certainDay = (day: number | null): FirstPassage => ({
  dayAt: () => day,
  chanceBy: (by) => (day !== null && day <= by ? 1 : 0),
})

/**
 * When a count is passed. A count is read before the day's first drink, so the first open day at or after `from` is
 * the first that adds to it.
 *
 * @param within - days after `from` beyond which there is no answer; ten years
 */
export function firstPassage(
  rate: Rate,
  count: number,
  from: number,
  open: OpenDays,
  within = horizonDays,
): FirstPassage {
  if (count <= 0) return certainDay(from)
  // Most are never asked: of many lives of a part only those in between are.
  let known: Waiting | null = null
  const waiting = () => {
    known ??= waitingFor(wandering(rate, count), count)
    return known
  }
  return {
    dayAt: (chance) => nthOpenDay(open, from, waiting().until(chance), within),
    chanceBy: (day) => (day < from ? 0 : waiting().within(openUntil(open, from, Math.min(day, from + within)))),
  }
}

/** Open days a passage by the end of a day may take; a hair over is rounding, as where days are counted off. */
function openUntil(open: OpenDays, from: number, day: number): number {
  const days = open.count(from, day + 1)
  return days > 0 ? days + 1e-9 : 0
}

/** The day a count is passed, as a quantile, see `firstPassage`. @returns null beyond what is forecast */
export const passageDay = (
  rate: Rate,
  count: number,
  from: number,
  open: OpenDays,
  chance: number,
  within = horizonDays,
): number | null => firstPassage(rate, count, from, open, within).dayAt(chance)

/** The open day on which a real number of open days of use is used up; null beyond `within` days. */
export function nthOpenDay(open: OpenDays, from: number, days: number, within = horizonDays): number | null {
  if (!Number.isFinite(days)) return null
  const day = open.nth(from, Math.max(1e-6, days))
  return day === null || day - from > within ? null : day
}
