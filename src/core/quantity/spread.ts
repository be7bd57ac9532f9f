import { normalQuantile } from './normal.ts'

/**
 * A positive quantity nobody knows exactly: its likely value, and how far its logarithm strays to each
 * side. The two sides differ where a range is lopsided: 0.3, but 0.05 to 0.5.
 */
export interface Spread {
  value: number
  /** Standard deviation of the logarithm below the value, and above it. */
  below: number
  above: number
}

/** Nineteen in twenty is how ranges from memory are read: 5 % lie under the low end, 5 % over the high one. */
const rangeZ = 1.6448536269514722

/** @example spreadOf(10, 10, 10) // { value: 10, below: 0, above: 0 }: exactly known */
export const spreadOf = (value: number, low: number, high: number): Spread => ({
  value,
  below: low < value ? Math.log(value / Math.max(low, value * 1e-3)) / rangeZ : 0,
  above: high > value ? Math.log(high / value) / rangeZ : 0,
})

/** The value at a chance of being less. @example atChance(spreadOf(2, 1, 4), 0.5) // 2 */
export const atChance = ({ value, below, above }: Spread, chance: number): number => {
  const z = normalQuantile(chance)
  return value * Math.exp(z * (z < 0 ? below : above))
}

/** Several multiplied together that know nothing of each other: values multiply, logarithms add in quadrature. */
export const product = (...of: Spread[]): Spread => ({
  value: of.reduce((value, one) => value * one.value, 1),
  below: Math.hypot(...of.map((one) => one.below)),
  above: Math.hypot(...of.map((one) => one.above)),
})

/** Something seen that says how likely the quantity is, given a value of it; only ratios matter. */
export type Likelihood = (value: number) => number

const gridHalf = 80
/** As far as the grid reaches on each side, in standard deviations. */
const gridReach = 4.5

/**
 * What is believed after evidence: the prior on a grid of its logarithm, times each likelihood. The answer's
 * value is the median, its sides the 16 % and 84 % points.
 *
 * @throws RangeError when the evidence is impossible under all of the prior
 */
export function learned(prior: Spread, evidence: Likelihood[]): Spread {
  if (evidence.length === 0) return prior
  const points: { log: number; weight: number }[] = []
  for (let i = -gridHalf; i <= gridHalf; i += 1) {
    const z = (i / gridHalf) * gridReach
    const log = Math.log(prior.value) + z * (z < 0 ? prior.below : prior.above)
    const value = Math.exp(log)
    points.push({ log, weight: evidence.reduce((weight, likely) => weight * likely(value), Math.exp((-z * z) / 2)) })
  }
  const sum = points.reduce((total, { weight }) => total + weight, 0)
  if (!(sum > 0)) throw new RangeError('learned: the evidence is impossible under the prior')
  // A point stands for its cell: half its weight lies on either side of it.
  let gone = 0
  const below = points.map(({ weight }) => {
    const half = weight / sum / 2
    const reached = gone + half
    gone += 2 * half
    return reached
  })
  const at = (share: number): number => {
    const i = Math.max(
      1,
      below.findIndex((reached) => reached >= share),
    )
    const [low, high] = [below[i - 1]!, below[i]!]
    const along = high > low ? (share - low) / (high - low) : 0
    return points[i - 1]!.log + (points[i]!.log - points[i - 1]!.log) * Math.max(0, along)
  }
  const middle = at(0.5)
  return { value: Math.exp(middle), below: middle - at(0.158655), above: at(0.841345) - middle }
}
