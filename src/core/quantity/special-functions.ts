/**
 * The few distribution functions the reckoning needs, for real arguments.
 * Log-gamma after Lanczos (g = 7, n = 9); the incomplete integrals by series and Lentz's
 * continued fraction (Abramowitz & Stegun 6.5, 26.5).
 */
const lanczos = [
  0.99999999999980993, 676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059,
  12.507343278686905, -0.13857109526572012, 9.9843695780195716e-6, 1.5056327351493116e-7,
]

/** Natural logarithm of the gamma function, x > 0. @example logGamma(5) // ≈ Math.log(24) */
export function logGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - logGamma(1 - x)
  const shifted = x - 1
  let sum = lanczos[0]!
  for (let i = 1; i < lanczos.length; i += 1) sum += lanczos[i]! / (shifted + i)
  const t = shifted + 7.5
  return 0.5 * Math.log(2 * Math.PI) + (shifted + 0.5) * Math.log(t) - t + Math.log(sum)
}

const tiny = 1e-300
const enough = 1e-14

/** Chance that a gamma variable of this shape and rate 1 is at most x. @example gammaCdf(1, 1) // 1 − 1/e */
export function gammaCdf(shape: number, x: number): number {
  if (x <= 0) return 0
  if (!Number.isFinite(x)) return 1
  const scale = Math.exp(shape * Math.log(x) - x - logGamma(shape))
  if (x < shape + 1) {
    let term = 1 / shape
    let sum = term
    for (let n = 1; n < 10_000; n += 1) {
      term *= x / (shape + n)
      sum += term
      if (term < sum * enough) break
    }
    return Math.min(1, sum * scale)
  }
  let b = x + 1 - shape
  let c = 1 / tiny
  let d = 1 / b
  let h = d
  for (let i = 1; i < 10_000; i += 1) {
    const an = -i * (i - shape)
    b += 2
    d = 1 / nonZero(an * d + b)
    c = nonZero(b + an / c)
    const delta = d * c
    h *= delta
    if (Math.abs(delta - 1) < enough) break
  }
  return Math.max(0, 1 - scale * h)
}

/** A beta(a, b) variable: its distribution and quantiles, the beta function worked out once. */
export interface Beta {
  /** Chance that it is at most x. */
  below(x: number): number
  /** The place it stays below with a chance; null where it sits at an end, or a or b is below 1. */
  quantile(chance: number): number | null
}

/** @example betaOf(1, 1).below(0.3) // 0.3 */
export function betaOf(a: number, b: number): Beta {
  let known: number | null = null
  const logBeta = () => {
    known ??= logGamma(a) + logGamma(b) - logGamma(a + b)
    return known
  }
  return {
    below: (x) => (x <= 0 ? 0 : x >= 1 ? 1 : betaBelow(a, b, x, logBeta(), enough)),
    quantile: (chance) => (a < 1 || b < 1 ? null : betaQuantile(chance, a, b, logBeta())),
  }
}

/** The same with the beta function's logarithm in hand, as exact as asked, 0 < x < 1. */
function betaBelow(a: number, b: number, x: number, logBeta: number, exact: number): number {
  const front = Math.exp(a * Math.log(x) + b * Math.log1p(-x) - logBeta)
  // The fraction converges fast only on this side of the mean; use the mirror image on the other.
  if (x < (a + 1) / (a + b + 2)) return (front * betaFraction(a, b, x, exact)) / a
  return 1 - (front * betaFraction(b, a, 1 - x, exact)) / b
}

function betaFraction(a: number, b: number, x: number, exact: number): number {
  let c = 1
  let d = 1 / nonZero(1 - ((a + b) * x) / (a + 1))
  let h = d
  for (let m = 1; m < 10_000; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m))
    d = 1 / nonZero(1 + even * d)
    c = nonZero(1 + even / c)
    h *= d * c
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))
    d = 1 / nonZero(1 + odd * d)
    c = nonZero(1 + odd / c)
    const delta = d * c
    h *= delta
    if (Math.abs(delta - 1) < exact) break
  }
  return h
}

const nonZero = (x: number) => (Math.abs(x) < tiny ? tiny : x)

/**
 * Where an increasing chance reaches a level: regula falsi (Illinois) on the logarithm of a positive
 * place, started from a guess of its size and spread. Quantiles of skewed times are near normal there,
 * so a handful of evaluations does.
 *
 * @param guess - a place about there, > 0
 * @param spread - rough standard deviation of the logarithm, > 0
 * @param tolerance - relative
 */
export function whereReaches(
  level: number,
  chanceAt: (x: number) => number,
  guess: number,
  spread: number,
  tolerance = 1e-9,
): number {
  let low = Math.log(guess)
  let high = low
  let atLow = chanceAt(guess) - level
  let atHigh = atLow
  for (let step = Math.max(spread, 1e-6); atLow > 0; step *= 2) {
    high = low
    atHigh = atLow
    low -= step
    atLow = chanceAt(Math.exp(low)) - level
    if (low < -700) return 0
  }
  for (let step = Math.max(spread, 1e-6); atHigh < 0; step *= 2) {
    low = high
    atLow = atHigh
    high += step
    atHigh = chanceAt(Math.exp(high)) - level
    if (high > 700) return Number.POSITIVE_INFINITY
  }
  for (let i = 0; i < 100 && high - low > tolerance; i += 1) {
    const cut = atHigh === atLow ? (low + high) / 2 : (low * atHigh - high * atLow) / (atHigh - atLow)
    const at = chanceAt(Math.exp(cut)) - level
    if (Math.abs(at) < 1e-15) return Math.exp(cut)
    if (at < 0) {
      low = cut
      atLow = at
      atHigh /= i % 2 ? 1 : 2
    } else {
      high = cut
      atHigh = at
      atLow /= i % 2 ? 1 : 2
    }
    // Plain halving now and then keeps the worst case short.
    if (i % 8 === 7) {
      const middle = (low + high) / 2
      const there = chanceAt(Math.exp(middle)) - level
      if (there < 0) [low, atLow] = [middle, there]
      else [high, atHigh] = [middle, there]
    }
  }
  return Math.exp((low + high) / 2)
}

/**
 * Quantile of a beta(a, b) variable: Halley's steps on the distribution, its density being known, from
 * the normal approximation of Abramowitz & Stegun 26.5.22. Two or three evaluations do.
 *
 * @returns null where the steps did not settle: a is tiny, or the quantile sits at an end
 */
function betaQuantile(chance: number, a: number, b: number, logBeta: number): number | null {
  const z = normalQuantile(1 - chance)
  const lambda = (z * z - 3) / 6
  const [overA, overB] = [1 / (2 * a - 1), 1 / (2 * b - 1)]
  const h = 2 / (overA + overB)
  const w = (z * Math.sqrt(h + lambda)) / h - (overB - overA) * (lambda + 5 / 6 - 2 / (3 * h))
  let x = a / (a + b * Math.exp(2 * w))
  const spread = Math.sqrt((a * b) / (a + b + 1)) / (a + b)
  for (let i = 0; i < 12; i += 1) {
    if (!(x > 0 && x < 1)) return null
    const density = Math.exp((a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x) - logBeta)
    if (!(density > 0)) return null
    const newton = (betaBelow(a, b, x, logBeta, 1e-9) - chance) / density
    const step = newton / (1 - 0.5 * Math.min(1, newton * ((a - 1) / x - (b - 1) / (1 - x))))
    const next = x - step
    // A step past an end goes half the way there.
    x = next <= 0 ? x / 2 : next >= 1 ? (x + 1) / 2 : next
    // Halley's steps cube the error: after one this small a millionth of the spread is left of it.
    if (Math.abs(step) < 0.005 * spread) return x
  }
  return null
}

/** Quantile of the standard normal, good to 4.5e-4: a place to start from (Abramowitz & Stegun 26.2.23). */
function normalQuantile(chance: number): number {
  const t = Math.sqrt(-2 * Math.log(Math.min(chance, 1 - chance)))
  const z = t - (2.515517 + 0.802853 * t + 0.010328 * t * t) / (1 + 1.432788 * t + 0.189269 * t * t + 0.001308 * t ** 3)
  return chance < 0.5 ? -z : z
}

/** Quantile of a gamma variable of this shape and rate. @example gammaQuantile(0.5, 1, 1) // ≈ 0.693 */
export function gammaQuantile(chance: number, shape: number, rate: number): number {
  return whereReaches(chance, (x) => gammaCdf(shape, x), shape, 1 / Math.sqrt(shape)) / rate
}
