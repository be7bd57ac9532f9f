import { meanRate, type Rate, type Rise } from './rate.ts'

/** Stretches a history is parted into: enough to see it wander, few enough to compare each with each. */
const mostStretches = 16
/** Fewer tell nothing of a trend. */
const leastStretches = 5
/** Open days back beyond which a pace says nothing of how paces change now. */
const mostOpenDays = 330
/** Believed before anything is seen: a pace that wanders by 4 % in 60 open days, worth so many pairs. From memory. */
const prior = { variancePerDay: 0.04 ** 2 / 60, pairs: 6 }

/**
 * How much a machine's pace wanders: variance of its logarithm an open day, as a random walk. Two stretches differ by
 * their own scatter and by how far the pace went between them; the scatter is taken off, and what is left over grows
 * with the days between. A season, a trend and a change of habit all show as wandering.
 *
 * @param rises - in order, the earliest first
 * @returns 0 where there are too few to tell
 */
export function driftPerDay(rises: Pick<Rise, 'count' | 'openDays'>[], dispersion: number): number {
  const stretches = inStretches(rises)
  if (stretches.length < leastStretches) return 0
  let over = prior.variancePerDay * prior.pairs
  let pairs = prior.pairs
  stretches.forEach((a, i) => {
    for (const b of stretches.slice(i + 1)) {
      const days = b.middle - a.middle
      const scatter = dispersion / a.count + dispersion / b.count
      over += (Math.log(a.count / a.openDays / (b.count / b.openDays)) ** 2 - scatter) / days
      pairs += 1
    }
  })
  return Math.max(0, over / pairs)
}

interface Stretch {
  count: number
  openDays: number
  /** Open days from the first reading to its middle. */
  middle: number
}

/** Neighbours put together until there are few; those without a drink say nothing of a pace. */
function inStretches(rises: Pick<Rise, 'count' | 'openDays'>[]): Stretch[] {
  const total = rises.reduce((sum, { openDays }) => sum + openDays, 0)
  const each = Math.min(total, mostOpenDays) / mostStretches
  const stretches: Stretch[] = []
  let [from, count, days] = [0, 0, 0]
  for (const rise of rises) {
    if (rise.openDays <= 0) continue
    count += rise.count
    days += rise.openDays
    if (days < each) continue
    if (count > 0 && from + days > total - mostOpenDays)
      stretches.push({ count, openDays: days, middle: from + days / 2 })
    from += days
    count = 0
    days = 0
  }
  return stretches
}

/**
 * The rate as it will be on average over the days until a count is reached: as likely, and less sure, for the pace
 * goes on wandering. The mean of a random walk over h days strays by a third of what its end does.
 */
export function wandering(rate: Rate, count: number): Rate {
  if (!rate.driftPerDay) return rate
  const mean = meanRate(rate)
  const days = count / mean
  const shape = 1 / (1 / rate.shape + (rate.driftPerDay * days) / 3)
  return { shape, rate: shape / mean, dispersion: rate.dispersion }
}
