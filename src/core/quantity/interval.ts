/** What is known of a quantity: its likeliest value and the bounds it lies between, all in one unit. */
export interface Interval {
  low: number
  value: number
  high: number
}

/** @example exactly(3) // { low: 3, value: 3, high: 3 } */
export const exactly = (value: number): Interval => ({ low: value, value, high: value })

/** Scales all three by a factor ≥ 0. @example scaled({ low: 1, value: 2, high: 3 }, 10).high // 30 */
export const scaled = (interval: Interval, factor: number): Interval => ({
  low: interval.low * factor,
  value: interval.value * factor,
  high: interval.high * factor,
})
