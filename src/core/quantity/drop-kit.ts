import type { Interval } from './interval.ts'

/**
 * What a drop count says. The colour turns on drop n of a kit worth f per drop, so the truth lies
 * in ((n−1)·f, n·f]; a k-fold sample divides f by k.
 *
 * @param drops - whole drops until the colour turned, ≥ 0
 * @param perDrop - what one drop is worth, in any hardness unit
 * @param sampleFactor - how many times the usual sample was taken, > 0
 * @example dropCount(19, 1) // { low: 18, value: 19, high: 19 }
 * @example dropCount(5, 1, 2) // { low: 2, value: 2.5, high: 2.5 }
 */
export function dropCount(drops: number, perDrop: number, sampleFactor = 1): Interval {
  const worth = perDrop / sampleFactor
  return { low: Math.max(0, (drops - 1) * worth), value: drops * worth, high: drops * worth }
}

/** A strip shows a zone, never a point: its middle stands in where one number is needed. */
export const stripZone = (low: number, high: number): Interval => ({ low, value: (low + high) / 2, high })
