/** What is known of a quantity: its likeliest value and the bounds it lies between, all in one unit. */
export interface Interval {
  low: number
  value: number
  high: number
}

/** @example exactly(3) // { low: 3, value: 3, high: 3 } */
export const exactly = (value: number): Interval => ({ low: value, value, high: value })

/**
 * Its value at a chance, 0.5 its likeliest: straight between the bounds, which stand for one chance in ten each way.
 * @example intervalAt({ low: 10, value: 20, high: 40 }, 0.9) // 40
 */
export const intervalAt = ({ low, value, high }: Interval, chance: number): number =>
  chance < 0.5 ? low + ((value - low) * (chance - 0.1)) / 0.4 : value + ((high - value) * (chance - 0.5)) / 0.4

/** Scales all three by a factor ≥ 0. @example scaled({ low: 1, value: 2, high: 3 }, 10).high // 30 */
export const scaled = (interval: Interval, factor: number): Interval => ({
  low: interval.low * factor,
  value: interval.value * factor,
  high: interval.high * factor,
})
