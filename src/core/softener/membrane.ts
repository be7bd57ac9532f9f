import type { Interval } from '../quantity/interval.ts'

/** When a membrane is changed whatever it lets through. From memory. */
export const membraneMonths = { cautious: 24, usual: 36, longLife: 60 } as const
/** Carbon, whatever the litres: behind it the water is unprotected. From memory. */
export const prefilterMonths = { cautious: 3, usual: 6, longLife: 12 } as const

/** What a conductivity pen may be off by: so much of the reading, and so many µS/cm. From memory. */
const [penShare, penUsCm] = [0.04, 5]

/** A reading of a conductivity pen with what it may be off by, µS/cm. */
export const penReading = (usCm: number): Interval => ({
  low: Math.max(0, usCm * (1 - penShare) - penUsCm),
  value: usCm,
  high: usCm * (1 + penShare) + penUsCm,
})

/**
 * What a membrane lets through of the feed: conductivity behind it over that before it.
 *
 * @param behind - behind the membrane, before raw water is mixed in, µS/cm
 * @param feed - µS/cm
 * @returns null for a feed that holds nothing
 * @example passageOf(penReading(30), penReading(600))!.value // 0.05
 */
export function passageOf(behind: Interval, feed: Interval): Interval | null {
  if (feed.low <= 0) return null
  const share = (part: number, whole: number) => Math.min(1, Math.max(0, part / whole))
  return {
    low: share(behind.low, feed.high),
    value: share(behind.value, feed.value),
    high: share(behind.high, feed.low),
  }
}

/**
 * The water behind the membrane, told from the blend that leaves it.
 *
 * @param rawShare - of raw water mixed in, in [0, 1)
 * @returns never below nothing
 * @example behindBlend(penReading(174), penReading(600), 0.25).value // 32
 */
export function behindBlend(blend: Interval, feed: Interval, rawShare: number): Interval {
  const behind = (out: number, raw: number) => Math.max(0, (out - rawShare * raw) / (1 - rawShare))
  return {
    low: behind(blend.low, feed.high),
    value: behind(blend.value, feed.value),
    high: behind(blend.high, feed.low),
  }
}
