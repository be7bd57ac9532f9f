import { wandering } from './drift.ts'
import type { OpenDays } from './open-days.ts'
import { daysUntil, type Rate } from './rate.ts'

/** The three bounds every forecast is given with. */
export const bounds = { p10: 0.1, p50: 0.5, p90: 0.9 } as const
export type Bounds<T> = Record<keyof typeof bounds, T>

/** Forecasts stop here: nobody plans a gasket eleven years ahead. */
export const horizonDays = 3653

/**
 * The day a count is passed, as a quantile. A count is read before the day's first drink, so the first
 * open day at or after `from` is the first that adds to it.
 *
 * @param within - days after `from` beyond which there is no answer; ten years
 * @returns day number, or null beyond that
 */
export function passageDay(
  rate: Rate,
  count: number,
  from: number,
  open: OpenDays,
  chance: number,
  within = horizonDays,
): number | null {
  if (count <= 0) return from
  const days = daysUntil(wandering(rate, count), count, chance)
  return nthOpenDay(open, from, days, within)
}

/** The open day on which a real number of open days of use is used up; null beyond `within` days. */
export function nthOpenDay(open: OpenDays, from: number, days: number, within = horizonDays): number | null {
  if (!Number.isFinite(days)) return null
  const day = open.nth(from, Math.max(1e-6, days))
  return day === null || day - from > within ? null : day
}
