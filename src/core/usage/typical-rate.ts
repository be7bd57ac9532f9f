import type { OpenDays } from './open-days.ts'
import { type Rate, rateOfSums, type WeighedRise, weigh } from './rate.ts'

/** A rise between neighbouring readings. */
interface NeighbourRise extends WeighedRise {
  /** The reading it ends with. */
  index: number
  perDay: number
}

/** A rate a doubtful reading is held against is never surer than so many drinks make it. */
const mostShape = 12

/**
 * The rate a doubtful reading is held against: from all rises of its era that do not touch it and lie within five
 * times their median, so that one typing error cannot vouch for another.
 *
 * Asked once a reading, it answers from sums that were made once: leaving out two rises of thousands moves the median
 * by a place or two, so that few different bounds ever come up.
 *
 * @param readings - in order of day
 * @param era - which use of the counter a day belongs to
 * @returns a function of a reading's index
 */
export function typicalRates(
  readings: { day: number; count: number }[],
  open: OpenDays,
  era: (day: number) => number,
  priorPerOpenDay: number,
): (index: number) => Rate {
  const eras = new Map<number, EraRises>()
  const none = new EraRises([])
  for (const [of, rises] of byEra(readings, open, era)) eras.set(of, new EraRises(rises))
  return (index) => {
    const rate = (eras.get(era(readings[index]!.day)) ?? none).without(index, priorPerOpenDay)
    const shape = Math.min(rate.shape, mostShape)
    return { ...rate, shape, rate: shape * (rate.rate / rate.shape) }
  }
}

/** Rises between neighbouring readings of one era, weighed once. */
function byEra(
  readings: { day: number; count: number }[],
  open: OpenDays,
  era: (day: number) => number,
): Map<number, NeighbourRise[]> {
  const today = readings.at(-1)?.day ?? 0
  const eras = new Map<number, NeighbourRise[]>()
  for (let i = 1; i < readings.length; i += 1) {
    const [a, b] = [readings[i - 1]!, readings[i]!]
    const openDays = open.count(a.day, b.day)
    const count = b.count - a.count
    const of = era(b.day)
    if (count < 0 || openDays <= 0 || era(a.day) !== of) continue
    // Seasons differ: a rate learned in one part of the year must not make another impossible.
    const { weight } = weigh({ count, openDays, ageDays: (today - b.day) / 6 })
    const rise = { count, openDays, weight, index: i, perDay: count / openDays }
    const there = eras.get(of)
    if (there) there.push(rise)
    else eras.set(of, [rise])
  }
  return eras
}

/** The rises of one era, ready to be asked for all of them but those that touch a reading. */
class EraRises {
  /** The slowest first. */
  private readonly rises: NeighbourRise[]
  /** Place among them of the rise that ends with a reading. */
  private readonly placeOf = new Map<number, number>()
  private readonly sums = new Map<number, SlowRises>()

  constructor(rises: NeighbourRise[]) {
    this.rises = [...rises].sort((a, b) => a.perDay - b.perDay)
    this.rises.forEach(({ index }, place) => {
      this.placeOf.set(index, place)
    })
  }

  /** The rate of all that lie within the bound and do not touch a reading. */
  without(index: number, priorPerOpenDay: number): Rate {
    const out = [index, index + 1].flatMap((ending) => this.placeOf.get(ending) ?? []).sort((a, b) => a - b)
    const until = this.placeAbove(5 * this.medianWithout(out) + 5)
    const slow = this.slowest(until)
    return slow.rateWithout(
      out.filter((place) => place < until).map((place) => this.rises[place]!),
      priorPerOpenDay,
    )
  }

  /** Infinity where there are none, so that nothing is left out. @param out - places in order */
  private medianWithout(out: number[]): number {
    const count = this.rises.length - out.length
    if (count === 0) return Number.POSITIVE_INFINITY
    const at = (nth: number) => {
      let place = nth
      for (const one of out) if (one <= place) place += 1
      return this.rises[place]!.perDay
    }
    const half = count >> 1
    return count % 2 ? at(half) : (at(half - 1) + at(half)) / 2
  }

  /** First place of a rise faster than that. */
  private placeAbove(perDay: number): number {
    let [low, high] = [0, this.rises.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.rises[middle]!.perDay > perDay) high = middle
      else low = middle + 1
    }
    return low
  }

  private slowest(until: number): SlowRises {
    const known = this.sums.get(until)
    if (known) return known
    const made = new SlowRises(this.rises.slice(0, until))
    this.sums.set(until, made)
    return made
  }
}

/** What a rate is made of, summed over rises, each by its weight. */
interface Sums {
  count: number
  days: number
  weights: number
  countSquared: number
  countDays: number
  daysSquared: number
  countSquaredByDays: number
}

const noSums = (): Sums => ({
  count: 0,
  days: 0,
  weights: 0,
  countSquared: 0,
  countDays: 0,
  daysSquared: 0,
  countSquaredByDays: 0,
})

/** Puts a rise into sums, or takes it out again. */
function put(sums: Sums, { weight: w, count: c, openDays: d }: WeighedRise, times: 1 | -1): void {
  const weight = times * w
  sums.count += weight * c
  sums.days += weight * d
  sums.weights += weight
  sums.countSquared += weight * c * c
  sums.countDays += weight * c * d
  sums.daysSquared += weight * d * d
  sums.countSquaredByDays += (weight * c * c) / d
}

/** Rises summed up by how many days they took, so that any bound on the days is one look-up. */
class SlowRises {
  private readonly days: number[] = []
  /** Of all that took fewer days than the one at a place, and of all at the end. */
  private readonly upTo: Sums[] = []

  constructor(rises: WeighedRise[]) {
    const sums = noSums()
    for (const rise of rises.sort((a, b) => a.openDays - b.openDays)) {
      this.days.push(rise.openDays)
      this.upTo.push({ ...sums })
      put(sums, rise, 1)
    }
    this.upTo.push(sums)
  }

  rateWithout(out: WeighedRise[], priorPerOpenDay: number): Rate {
    const all = { ...this.upTo.at(-1)! }
    for (const rise of out) put(all, rise, -1)
    return rateOfSums(all, (mean) => this.scatterAbout(mean, all, out), priorPerOpenDay)
  }

  private scatterAbout(mean: number, all: Sums, out: WeighedRise[]): number {
    // Where the mean makes less than one drink, one drink is what the scatter is held against.
    const short = { ...this.upTo[this.placeFrom(1 / mean)]! }
    for (const rise of out) if (rise.openDays < 1 / mean) put(short, rise, -1)
    const longSquaredByDays = all.countSquaredByDays - short.countSquaredByDays
    const longCount = all.count - short.count
    const longDays = all.days - short.days
    return (
      Math.max(0, short.countSquared - 2 * mean * short.countDays + mean * mean * short.daysSquared) +
      Math.max(0, longSquaredByDays / mean - 2 * longCount + mean * longDays)
    )
  }

  /** First place that took so many days or more. */
  private placeFrom(days: number): number {
    let [low, high] = [0, this.days.length]
    while (low < high) {
      const middle = (low + high) >> 1
      if (this.days[middle]! < days) low = middle + 1
      else high = middle
    }
    return low
  }
}
