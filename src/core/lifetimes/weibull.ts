import { root } from '../quantity/root.ts'
import { gammaCdf, logGamma } from '../quantity/special-functions.ts'
import type { Lifetime } from './lifetime.ts'

/** Lives that fail sooner or later by their age: R(t) = exp(−(t/scale)^shape). */
export interface Weibull {
  shape: number
  scale: number
}

/** Share that lasts longer than a time. @example survivalAt({ shape: 1, scale: 10 }, 10) // ≈ 0.3679 */
export const survivalAt = ({ shape, scale }: Weibull, t: number): number =>
  t <= 0 ? 1 : Math.exp(-((t / scale) ** shape))

/** Failures per time of those still there. */
export const hazardAt = ({ shape, scale }: Weibull, t: number): number => (shape / scale) * (t / scale) ** (shape - 1)

/** Mean life: scale · Γ(1 + 1/shape). */
export const meanLife = ({ shape, scale }: Weibull): number => scale * Math.exp(logGamma(1 + 1 / shape))

/** The age by which a share has failed. @example ageAt({ shape: 1, scale: 10 }, 1 - Math.exp(-1)) // ≈ 10 */
export const ageAt = ({ shape, scale }: Weibull, failedShare: number): number =>
  scale * (-Math.log(1 - failedShare)) ** (1 / shape)

/** ∫₀ᵗ R: how long one lasts on average that is changed at t at the latest. */
export function meanUntil(life: Weibull, t: number): number {
  const age = Math.max(0, t)
  return meanLife(life) * gammaCdf(1 / life.shape, (age / life.scale) ** life.shape)
}

/** Catalogue life: the age by which 20 in a hundred have failed. From memory. */
const usualFailed = 0.2

/** What a catalogue's usual life and shape stand for. @example ofCatalogue(12, 3).scale // ≈ 19.78 */
export const ofCatalogue = (usualLife: number, shape: number): Weibull => ({
  shape,
  scale: usualLife / (-Math.log(1 - usualFailed)) ** (1 / shape),
})

/** As many failures as a catalogue's figure is worth. From memory. */
export const catalogueFailures = 5

/** Failures that stand for a catalogue's figure: spread over it as they would be, in the middle of equal parts. */
export const pseudoFailures = (catalogue: Weibull): Lifetime[] =>
  Array.from({ length: catalogueFailures }, (_, i) => ({
    time: ageAt(catalogue, (i + 0.5) / catalogueFailures),
    failed: true,
  }))

export interface WeibullFit extends Weibull {
  logLik: number
  /** Of the logarithms of shape and scale, from the observed information. */
  sd: { logShape: number; logScale: number; correlation: number }
}

const [leastShape, mostShape] = [0.01, 200]

/**
 * Maximum likelihood with lives that were still going: each adds its survival, each failure its density. The scale
 * follows from the shape, and the shape is where its profile is level.
 *
 * @returns null with the reason where no curve can be fitted
 * @throws RangeError for a time that is not above 0
 */
export function fitWeibull(lives: Lifetime[]): { fit: WeibullFit } | { fit: null; reason: string } {
  for (const { time } of lives) if (!(time > 0)) throw new RangeError(`fitWeibull: times must be above 0, got ${time}`)
  const failures = lives.filter(({ failed }) => failed)
  if (failures.length === 0) return { fit: null, reason: 'nothing has failed yet' }
  if (new Set(failures.map(({ time }) => time)).size === 1 && lives.every(({ time }) => time <= failures[0]!.time))
    return { fit: null, reason: 'all that failed did so at one age: any steep curve fits' }
  const w = ({ weight = 1 }: Lifetime) => weight
  const r = failures.reduce((sum, life) => sum + w(life), 0)
  // Over the longest, so that no power of a time runs away.
  const longest = Math.max(...lives.map(({ time }) => time))
  const log = (time: number) => Math.log(time / longest)
  const meanLog = failures.reduce((sum, life) => sum + w(life) * log(life.time), 0) / r
  const sums = (shape: number) => {
    let [s0, s1, s2] = [0, 0, 0]
    for (const life of lives) {
      const l = log(life.time)
      const power = w(life) * Math.exp(shape * l)
      s0 += power
      s1 += power * l
      s2 += power * l * l
    }
    return { s0, s1, s2 }
  }
  const level = (shape: number) => {
    const { s0, s1 } = sums(shape)
    return s1 / s0 - 1 / shape - meanLog
  }
  if (level(mostShape) < 0) return { fit: null, reason: 'the failures lie so close that any steep curve fits' }
  const shape = root(level, leastShape, mostShape)
  const { s0, s1, s2 } = sums(shape)
  const scale = longest * (s0 / r) ** (1 / shape)
  const logLik = lives.reduce((sum, life) => {
    const z = life.time / scale
    const density = life.failed ? Math.log(shape / scale) + (shape - 1) * Math.log(z) : 0
    return sum + w(life) * (density - z ** shape)
  }, 0)
  return { fit: { shape, scale, logLik, sd: spreads({ shape, scale }, r, longest, s0, s1, s2) } }
}

/** Observed information of ln shape and ln scale, inverted. */
function spreads({ shape, scale }: Weibull, r: number, longest: number, s0: number, s1: number, s2: number) {
  // Sums of z^k, z^k·ln z^k and z^k·(ln z^k)², with z = t/scale.
  const factor = (longest / scale) ** shape
  const shift = shape * Math.log(longest / scale)
  const m0 = factor * s0
  const m1 = factor * (shape * s1 + shift * s0)
  const m2 = factor * (shape ** 2 * s2 + 2 * shape * shift * s1 + shift ** 2 * s0)
  const shapeShape = r + m2
  const scaleScale = shape ** 2 * m0
  const both = -shape * m1
  const determinant = shapeShape * scaleScale - both ** 2
  return {
    logShape: Math.sqrt(scaleScale / determinant),
    logScale: Math.sqrt(shapeShape / determinant),
    correlation: -both / Math.sqrt(shapeShape * scaleScale),
  }
}
