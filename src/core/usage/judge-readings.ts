import type { OpenDays } from './open-days.ts'
import { chanceReached, meanRate, type Rate } from './rate.ts'
import { typicalRates } from './typical-rate.ts'

/** A counter as read on a day, before that day's first drink. */
export interface CounterReading {
  day: number
  count: number
  /** Read by somebody who does not read counters every day: a customer. */
  doubted?: boolean
}

export type FlagKind = 'reset' | 'rollover' | 'impossible' | 'outlier'

export interface JudgedReadings {
  /** Readings kept for the reckoning, each with the count since the first, resets and rollovers bridged. */
  kept: { day: number; count: number; total: number; index: number }[]
  /** Rises between kept readings that carry a count. */
  rises: { fromDay: number; toDay: number; count: number; openDays: number; doubted?: boolean }[]
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
/** Of one that is doubted: it is likelier that it was misread than that it was so. From memory. */
const doubtedBound = 0.01

/**
 * Tells typing errors, resets and rollovers from use. Nothing is dropped in silence: every reading that
 * carries no count is flagged. A doubted one is believed less far, until a later reading of somebody else bears it out.
 *
 * Judged in this order: `outlier`, a rise beyond the bound that later readings do not confirm;
 * `impossible`, a fall that later readings undo, or that only a doubted reading tells of; `rollover`, a fall it explains at a plausible rate;
 * `reset`, any other fall.
 *
 * @param readings - in order of day
 */
export function judgeReadings(readings: CounterReading[], options: JudgeOptions): JudgedReadings {
  const { open, rollover, breaks = [] } = options
  const era = (day: number) => (breaks.length === 0 ? 0 : breaks.filter((on) => on <= day).length)
  const typical = typicalRates(readings, open, era, options.priorPerOpenDay)
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
      rises.push({
        fromDay: anchor.day,
        toDay: reading.day,
        count: total - anchor.total,
        openDays,
        ...(reading.doubted && { doubted: true }),
      })
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
    const rate = typical(i)

    if (rise >= 0 && era(last.day) !== era(reading.day)) {
      keep(i, rise, false)
      continue
    }
    if (rise >= 0) {
      if (plausible(rise, days, rate, reading.doubted) || confirmed(reading, next, rollover)) keep(i, rise, true)
      else flags.push({ index: i, kind: 'outlier' })
      continue
    }
    const undone = next && next.count >= last.count
    if (undone && plausible(next.count - last.count, open.count(last.day, next.day), rate)) {
      flags.push({ index: i, kind: 'impossible' })
      continue
    }
    const over = rollover === undefined || last.count > rollover ? undefined : rise + rollover + 1
    if (over !== undefined && plausible(over, days, rate, reading.doubted)) {
      flags.push({ index: i, kind: 'rollover' })
      keep(i, over, true)
      continue
    }
    // A board swap is not taken from a customer's figures alone.
    if (reading.doubted && !(next && next.count < last.count)) {
      flags.push({ index: i, kind: 'impossible' })
      continue
    }
    flags.push({ index: i, kind: 'reset' })
    // What ran between the last reading and the swap is unknown: the typical rate stands in for the total.
    keep(i, Math.round(meanRate(rate) * days), false)
  }
  // What somebody else read after it bears a doubted reading out.
  const sureUntil = kept.findLast(({ index }) => !readings[index]!.doubted)?.day ?? Number.NEGATIVE_INFINITY
  return {
    kept,
    rises: rises.map(({ doubted, ...rise }) => (doubted && rise.toDay > sureUntil ? { ...rise, doubted } : rise)),
    flags,
  }
}

// No more than the mean makes is always believed: only the rest needs its chance worked out.
const plausible = (count: number, days: number, rate: Rate, doubted = false) =>
  count <= meanRate(rate) * days || chanceReached(rate, count, Math.max(days, 0.5)) >= (doubted ? doubtedBound : bound)

/** Later readings confirm a jump when the counter stays up there, or rolls over from there. */
function confirmed(reading: CounterReading, next: CounterReading | undefined, rollover?: number): boolean {
  if (!next) return false
  if (next.count >= reading.count) return true
  return rollover !== undefined && reading.count > 0.9 * rollover && next.count < 0.1 * rollover
}
