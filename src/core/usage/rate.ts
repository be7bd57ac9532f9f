import { betaOf, gammaQuantile, whereReaches } from '../quantity/special-functions.ts'

/** A rise between two readings: `count` over `openDays`, ending `ageDays` before the day of reckoning. */
export interface Rise {
  count: number
  openDays: number
  ageDays: number
  /** It ends with a reading that is doubted. */
  doubted?: boolean
}

/**
 * What is known of a rate per open day: a gamma posterior, and how much the days scatter.
 * Mean = shape / rate. `dispersion` ≥ 1 is the variance of a day's count over its mean; evidence is
 * already divided by it, so shape and rate hold what the scatter lets one learn.
 */
export interface Rate {
  shape: number
  rate: number
  dispersion: number
  /** How much it wanders: variance of its logarithm an open day; nothing where that is not asked. */
  driftPerDay?: number
}

const halfLifeDays = 60
/** What a customer read counts for, against what a technician read. From memory. */
const doubtedWeight = 0.5
/** Dispersion believed before there are residuals, and how many residuals that belief is worth. From memory. */
const dispersionPrior = { value: 2, weight: 2 }

/**
 * Gamma–Poisson rate with forgetting: an interval's weight halves every 60 days. The prior has shape 1.
 *
 * @param rises - trustworthy rises; those with no open day are ignored
 * @param priorPerOpenDay - mean of the prior, > 0
 * @example rateFrom([{ count: 700, openDays: 7, ageDays: 0 }], 60) // mean ≈ 100
 */
export const rateFrom = (rises: Rise[], priorPerOpenDay: number): Rate => rateOf(rises.map(weigh), priorPerOpenDay)

/** A rise with what its age leaves of it. */
export interface WeighedRise {
  count: number
  openDays: number
  weight: number
}

export const weigh = ({ count, openDays, ageDays, doubted = false }: Rise): WeighedRise => ({
  count,
  openDays,
  weight: openDays > 0 ? (doubted ? doubtedWeight : 1) * 0.5 ** (Math.max(0, ageDays) / halfLifeDays) : 0,
})

function rateOf(rises: WeighedRise[], priorPerOpenDay: number): Rate {
  let count = 0
  let days = 0
  let weights = 0
  for (const rise of rises) {
    count += rise.weight * rise.count
    days += rise.weight * rise.openDays
    weights += rise.weight
  }
  const scatterAbout = (mean: number) => {
    let scatter = 0
    for (const rise of rises) {
      if (rise.weight === 0) continue
      scatter += (rise.weight * (rise.count - mean * rise.openDays) ** 2) / Math.max(mean * rise.openDays, 1)
    }
    return scatter
  }
  return rateOfSums({ count, days, weights }, scatterAbout, priorPerOpenDay)
}

/**
 * The same from what rises sum up to, each by its weight.
 * @param scatterAbout - their squared distances from a mean, each over what the mean makes of its days, 1 at least
 */
export function rateOfSums(
  { count, days, weights }: { count: number; days: number; weights: number },
  scatterAbout: (mean: number) => number,
  priorPerOpenDay: number,
): Rate {
  const scatter = scatterAbout((1 + count) / (1 / priorPerOpenDay + days))
  const dispersion = Math.max(
    1,
    (scatter + dispersionPrior.value * dispersionPrior.weight) / (weights + dispersionPrior.weight),
  )
  return { shape: 1 + count / dispersion, rate: 1 / priorPerOpenDay + days / dispersion, dispersion }
}

export const meanRate = (rate: Rate): number => rate.shape / rate.rate
export const sdRate = (rate: Rate): number => Math.sqrt(rate.shape) / rate.rate

/** The mean rate's own quantile. */
export const rateQuantile = (rate: Rate, chance: number): number => gammaQuantile(chance, rate.shape, rate.rate)

/** How long a count takes, in open days: real-valued. */
export interface Waiting {
  /** Chance that it is reached within so many open days. */
  within(days: number): number
  /** Open days until it is reached, as a quantile; Infinity when never. */
  until(chance: number): number
}

/**
 * The waiting time for a count is gamma (shape count ÷ dispersion) over a gamma rate, so its chance is a beta
 * integral, without sampling.
 */
export function waitingFor(rate: Rate, count: number): Waiting {
  if (count <= 0) return { within: () => 1, until: () => 0 }
  const scatter = rate.dispersion * rate.rate
  // In the share left over the quantile stays far from 1, where digits would be lost.
  const left = betaOf(rate.shape, count / rate.dispersion)
  const within = (days: number) => (days <= 0 ? 0 : 1 - left.below(scatter / (days + scatter)))
  return {
    within,
    until(chance) {
      const share = left.quantile(1 - chance)
      if (share !== null) return (scatter * (1 - share)) / share
      const typical = count / meanRate(rate)
      const spread = Math.sqrt(1 / rate.shape + rate.dispersion / count)
      // A thousandth of a day decides nothing: the answer is a whole day.
      return whereReaches(chance, within, typical, spread, 1e-7)
    },
  }
}

/** Chance that at least `count` is reached within `days` open days. */
export const chanceReached = (rate: Rate, count: number, days: number): number => waitingFor(rate, count).within(days)
