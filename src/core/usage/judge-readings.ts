import type { OpenDays } from './open-days.ts'
import { chanceReached, meanRate, type Rate, rateOf, type WeighedRise, weigh } from './rate.ts'

/** A counter as read on a day, before that day's first drink. */
export interface CounterReading {
  day: number
  count: number
}

export type FlagKind = 'reset' | 'rollover' | 'impossible' | 'outlier'

export interface JudgedReadings {
  /** Readings kept for the reckoning, each with the count since the first, resets and rollovers bridged. */
  kept: { day: number; count: number; total: number; index: number }[]
  /** Rises between kept readings that carry a count. */
  rises: { fromDay: number; toDay: number; count: number; openDays: number }[]
  /** One a doubtful reading: its index in the input, and what is wrong. */
  flags: { index: number; kind: FlagKind }[]
}

export interface JudgeOptions {
  open: OpenDays
  priorPerOpenDay: number
  /** Highest value the counter shows before it starts again at 0. */
  rollover?: number
  /**
   * Days, in order, on which the counter's use changed for good: it went to another site. Rises on one
   * side say nothing of the other, and one across is kept but not counted.
   */
  breaks?: number[]
}

/** A rise less likely than this is outside the 99.9 % predictive bound. */
const bound = 0.001

/**
 * Tells typing errors, resets and rollovers from use. Nothing is dropped in silence: every reading that
 * carries no count is flagged.
 *
 * Judged in this order: `outlier`, a rise beyond the bound that later readings do not confirm;
 * `impossible`, a fall that later readings undo; `rollover`, a fall it explains at a plausible rate;
 * `reset`, any other fall.
 *
 * @param readings - in order of day
 */
export function judgeReadings(readings: CounterReading[], options: JudgeOptions): JudgedReadings {
  const { open, rollover, breaks = [] } = options
  const era = (day: number) => (breaks.length === 0 ? 0 : breaks.filter((on) => on <= day).length)
  const neighbours = risesBetween(readings, open, era)
  const flags: JudgedReadings['flags'] = []
  const kept: JudgedReadings['kept'] = []
  const rises: JudgedReadings['rises'] = []

  let total = 0
  // Where the next counted rise starts: a reading after closed days only waits for the next open one.
  let anchor = { day: 0, total: 0 }
  const keep = (index: number, gained: number, counted: boolean) => {
    const reading = readings[index]!
    total += gained
    kept.push({ day: reading.day, count: reading.count, total, index })
    const openDays = open.count(anchor.day, reading.day)
    if (counted && openDays > 0) {
      rises.push({ fromDay: anchor.day, toDay: reading.day, count: total - anchor.total, openDays })
    }
    if (!counted || openDays > 0) anchor = { day: reading.day, total }
  }

  for (let i = 0; i < readings.length; i += 1) {
    const reading = readings[i]!
    const last = kept.at(-1)
    if (!last) {
      keep(i, 0, false)
      continue
    }
    const rise = reading.count - last.count
    const days = open.count(last.day, reading.day)
    const next = readings[i + 1]
    const rate = typicalRate(neighbours, i, era(reading.day), options.priorPerOpenDay)

    if (rise >= 0 && era(last.day) !== era(reading.day)) {
      keep(i, rise, false)
      continue
    }
    if (rise >= 0) {
      if (plausible(rise, days, rate) || confirmed(reading, next, rollover)) keep(i, rise, true)
      else flags.push({ index: i, kind: 'outlier' })
      continue
    }
    const undone = next && next.count >= last.count
    if (undone && plausible(next.count - last.count, open.count(last.day, next.day), rate)) {
      flags.push({ index: i, kind: 'impossible' })
      continue
    }
    const over = rollover === undefined || last.count > rollover ? undefined : rise + rollover + 1
    if (over !== undefined && plausible(over, days, rate)) {
      flags.push({ index: i, kind: 'rollover' })
      keep(i, over, true)
      continue
    }
    flags.push({ index: i, kind: 'reset' })
    // What ran between the last reading and the swap is unknown: the typical rate stands in for the total.
    keep(i, Math.round(meanRate(rate) * days), false)
  }
  return { kept, rises, flags }
}

// No more than the mean makes is always believed: only the rest needs its chance worked out.
const plausible = (count: number, days: number, rate: Rate) =>
  count <= meanRate(rate) * days || chanceReached(rate, count, Math.max(days, 0.5)) >= bound

/** Later readings confirm a jump when the counter stays up there, or rolls over from there. */
function confirmed(reading: CounterReading, next: CounterReading | undefined, rollover?: number): boolean {
  if (!next) return false
  if (next.count >= reading.count) return true
  return rollover !== undefined && reading.count > 0.9 * rollover && next.count < 0.1 * rollover
}

interface TypicalRise extends WeighedRise {
  /** The reading it ends with. */
  index: number
  era: number
  perDay: number
}

/** Rises between neighbouring readings, weighed once, the slowest first. */
function risesBetween(readings: CounterReading[], open: OpenDays, era: (day: number) => number): TypicalRise[] {
  const today = readings.at(-1)?.day ?? 0
  const rises: TypicalRise[] = []
  for (let i = 1; i < readings.length; i += 1) {
    const [a, b] = [readings[i - 1]!, readings[i]!]
    const openDays = open.count(a.day, b.day)
    const count = b.count - a.count
    if (count < 0 || openDays <= 0 || era(a.day) !== era(b.day)) continue
    // Seasons differ: a rate learned in one part of the year must not make another impossible.
    const { weight } = weigh({ count, openDays, ageDays: (today - b.day) / 6 })
    rises.push({ count, openDays, weight, index: i, era: era(b.day), perDay: count / openDays })
  }
  return rises.sort((a, b) => a.perDay - b.perDay)
}

/**
 * The rate a doubtful reading is held against: from all rises of its era that do not touch it and lie
 * within five times their median, so that one typing error cannot vouch for another.
 *
 * @param rises - sorted by rise per day
 */
function typicalRate(rises: TypicalRise[], without: number, era: number, priorPerOpenDay: number): Rate {
  const others = rises.filter((rise) => rise.index !== without && rise.index - 1 !== without && rise.era === era)
  const most = 5 * medianPerDay(others) + 5
  while (others.length > 0 && others.at(-1)!.perDay > most) others.pop()
  const rate = rateOf(others, priorPerOpenDay)
  const shape = Math.min(rate.shape, 12)
  return { ...rate, shape, rate: shape * (rate.rate / rate.shape) }
}

/** Of rises sorted by it; Infinity where there are none, so that nothing is left out. */
function medianPerDay(sorted: TypicalRise[]): number {
  if (sorted.length === 0) return Number.POSITIVE_INFINITY
  const half = sorted.length >> 1
  return sorted.length % 2 ? sorted[half]!.perDay : (sorted[half - 1]!.perDay + sorted[half]!.perDay) / 2
}
