import { normalCdf } from '../quantity/normal.ts'

/** How a part looked, and the share of its own life that such a look stands for: centre, and sd of its logarithm. */
const looks: readonly { share: number; sd: number }[] = [
  { share: 0.15, sd: 0.6 },
  { share: 0.4, sd: 0.35 },
  { share: 0.65, sd: 0.25 },
  { share: 0.85, sd: 0.15 },
]
export type Grade = 0 | 1 | 2 | 3 | 4

/** The share of its life a part has used when it looks so; 1 or more for one that failed. From memory. */
export const lookShare = (grade: Grade): number => looks[grade]?.share ?? 1

/** Spread of the logarithm of a life, where a part has no shape of its own. From memory. */
const usualSd = 0.45
/** A failed part may have been found a little after or before its life was over. */
const failedSd = 0.1

/** Spread of the logarithm of a life with a Weibull shape: π/√6 over it. @example lifeSd(3) // ≈ 0.428 */
export const lifeSd = (shape: number | undefined): number =>
  shape === undefined ? usualSd : Math.PI / Math.sqrt(6) / shape

/** A part's own life over the usual one, as likely as each is: weights sum to 1, multipliers rise. */
export interface LifeMultiplier {
  points: { multiplier: number; weight: number }[]
  p10: number
  p50: number
  p90: number
}

const gridPoints = 41
const reach = 3.2

/**
 * What a look at a part says of how long it lasts: a grid over the logarithm of its life multiplier, prior normal
 * about the usual life, each point weighted by how well the look fits the share of that life used by then. One that
 * failed only says that its life was over: censored from the left. A good look is wide and pulls less than a middling
 * one does; it must not promise less for that, so it is taken for the best of itself and all worse looks.
 *
 * @param usedShare - of the usual life, on the day it was seen; above 0
 * @param sd - of the logarithm of a life, see `lifeSd`
 * @example multiplierAfter(2, 0.65, 0.45).p50 // ≈ 1: it looks as it should
 */
export function multiplierAfter(grade: Grade, usedShare: number, sd: number): LifeMultiplier {
  let best: { points: LifeMultiplier['points']; p50: number } | null = null
  for (const one of [0, 1, 2, 3, 4] as const) {
    if (one !== grade && (one < grade || one === 4)) continue
    const points = afterLook(one, usedShare, sd)
    const p50 = quantileOf(points, 0.5)
    if (best === null || p50 > best.p50) best = { points, p50 }
  }
  const { points, p50 } = best!
  return { points, p10: quantileOf(points, 0.1), p50, p90: quantileOf(points, 0.9) }
}

/**
 * How much of a life is left to a part of which nobody knows how old it is, by how it looks: what its look stands for is
 * used, the rest of a life as spread as such lives are is left. From memory, as the looks are.
 *
 * @example remainingAfter(2, 0.45).p50 // 0.35
 */
export function remainingAfter(grade: Grade, sd: number): LifeMultiplier {
  const left = Math.max(0.01, 1 - lookShare(grade))
  const sum = grid.reduce((total, { prior }) => total + prior, 0)
  const points = grid.map(({ z, prior }) => ({ multiplier: Math.exp(z * sd) * left, weight: prior / sum }))
  return { points, p10: quantileOf(points, 0.1), p50: quantileOf(points, 0.5), p90: quantileOf(points, 0.9) }
}

/** The grid in standard deviations, and how likely each point is before anything is seen. */
const grid = Array.from({ length: gridPoints }, (_, i) => {
  const z = -reach + (2 * reach * i) / (gridPoints - 1)
  return { z, prior: Math.exp(-(z * z) / 2) }
})

/** How likely each multiplier is after one look: weights sum to 1. */
function afterLook(grade: Grade, usedShare: number, sd: number): LifeMultiplier['points'] {
  const look = looks[grade]
  const used = Math.log(Math.max(usedShare, 1e-3))
  const middle = look ? Math.log(look.share) : 0
  let sum = 0
  const points = grid.map(({ z, prior }) => {
    // Log share of its own life used, were this its multiplier.
    const own = used - z * sd
    const weight = prior * (look ? Math.exp(-(((own - middle) / look.sd) ** 2) / 2) : normalCdf(own / failedSd))
    sum += weight
    return { multiplier: Math.exp(z * sd), weight }
  })
  // A look that nothing explains leaves the nearest end of what is possible.
  if (!(sum > 0)) return [{ ...(used - middle > 0 ? points.at(-1)! : points[0]!), weight: 1 }]
  for (const point of points) point.weight /= sum
  return points
}

/** Between the grid's points the weight is spread evenly. */
function quantileOf(points: LifeMultiplier['points'], chance: number): number {
  let below = 0
  for (let i = 0; i < points.length; i += 1) {
    const { multiplier, weight } = points[i]!
    const next = below + weight
    if (next >= chance && weight > 0) {
      const [from, to] = [points[i - 1]?.multiplier ?? multiplier, points[i + 1]?.multiplier ?? multiplier]
      const inside = (chance - below) / weight
      return inside < 0.5
        ? multiplier - (0.5 - inside) * (multiplier - from)
        : multiplier + (inside - 0.5) * (to - multiplier)
    }
    below = next
  }
  return points.at(-1)!.multiplier
}
