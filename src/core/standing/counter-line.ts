import type { Entry } from '../ledger/entry.ts'
import { fromDay, toDay } from '../quantity/local-day.ts'
import { driftPerDay } from '../usage/drift.ts'
import { certainDay, type FirstPassage, firstPassage } from '../usage/first-passage.ts'
import { judgeReadings } from '../usage/judge-readings.ts'
import type { OpenDays } from '../usage/open-days.ts'
import { meanRate, type Rate, rateFrom } from '../usage/rate.ts'
import { rinsesApart } from '../usage/rinses-apart.ts'
import type { Flag } from './standing.ts'

/** A counter through time: what it stood at on any day, and when it will have moved so much further. */
export interface CounterLine {
  rate: Rate
  open: OpenDays
  /** Last reading that counts: its day, what the counter showed, and the total since the first. */
  last: { day: number; count: number; total: number } | null
  readings: number
  /** Share of cleaning rinses in what the counter shows; they are in nothing else here. */
  rinseShare: number
  /** Rises between readings that carry a count, by day number. */
  intervals: { fromDay: number; toDay: number; count: number; openDays: number }[]
  flags: Flag[]
  /** Total moved by the start of a day, straight between readings, at the mean rate outside them. */
  totalAt(day: number): number
  /** When so much more than on a day is passed; no day beyond ten years. */
  after(since: number, amount: number): FirstPassage
  /** The same day, as a quantile. */
  dayAfter(since: number, amount: number, chance: number): number | null
}

/**
 * Draws a counter's line from its readings.
 *
 * @param entries - effective readings of one subject
 * @param prior - drinks (or litres) per open day where nothing is known
 * @param asOf - day number the weights of old intervals are counted from
 * @param start - day number it was taken on
 * @param each - what one of what the counter shows is, in what is reckoned with
 * @param movedOn - days it came to another site: what it made before says nothing of what it makes after
 */
export function counterLine(
  entries: (Entry & { kind: 'reading' })[],
  counter: 'shots' | 'litres',
  open: OpenDays,
  prior: number,
  asOf: number,
  start: number,
  movedOn: number[] = [],
  each = 1,
): CounterLine {
  const read = entries
    .filter((entry) => entry.body.counter === counter)
    .map((entry) => ({
      id: entry.id,
      day: toDay(entry.happenedOn),
      count: entry.body.count,
      doubted: entry.body.by === 'customer',
    }))
  const noted = new Map(
    entries.flatMap((entry) => (entry.body.rinses === undefined ? [] : [[entry.id, entry.body.rinses!]])),
  )
  const judged = judgeReadings(read, { open, priorPerOpenDay: prior / each, breaks: movedOn })
  const shown = rinsesApart(
    judged,
    judged.kept.map(({ index }) => noted.get(read[index]!.id)),
  )
  const apart =
    each === 1
      ? shown
      : {
          ...shown,
          kept: shown.kept.map((one) => ({ ...one, total: one.total * each })),
          rises: shown.rises.map((rise) => ({ ...rise, count: rise.count * each })),
        }
  const here = apart.rises.filter((rise) => rise.fromDay >= (movedOn.at(-1) ?? Number.NEGATIVE_INFINITY))
  const plain = rateFrom(
    here.map((rise) => ({ ...rise, ageDays: asOf - rise.toDay })),
    prior,
  )
  const rate: Rate = { ...plain, driftPerDay: driftPerDay(here, plain.dispersion) }
  const { kept } = apart
  const first = kept[0] ?? { day: start, count: 0, total: 0 }
  const last = kept.at(-1) ?? first
  const mean = meanRate(rate)

  const totalAt = (day: number): number => {
    if (day <= first.day) return first.total - mean * open.count(day, first.day)
    if (day >= last.day) return last.total + mean * open.count(last.day, day)
    const next = firstAfter(kept, day)
    const [a, b] = [kept[next - 1]!, kept[next]!]
    const days = open.count(a.day, b.day)
    const share = days > 0 ? open.count(a.day, day) / days : (day - a.day) / (b.day - a.day)
    return a.total + (b.total - a.total) * share
  }
  const after = (since: number, amount: number): FirstPassage => {
    // Nothing was read since then: all of it is forecast, from that day on.
    if (since >= last.day) return firstPassage(rate, amount, since, open)
    const total = totalAt(since) + amount
    if (total > last.total) return firstPassage(rate, total - last.total, last.day, open)
    return certainDay(dayInPast(total, since))
  }
  /** Straight between readings: first day at whose end the total was passed. */
  const dayInPast = (total: number, since: number): number => {
    let [below, above] = [since, last.day]
    while (above - below > 1) {
      const middle = Math.floor((below + above) / 2)
      if (totalAt(middle) < total) below = middle
      else above = middle
    }
    return below
  }
  return {
    rate,
    open,
    last: kept.at(-1) ?? null,
    readings: kept.length,
    rinseShare: apart.share,
    intervals: apart.rises,
    flags: judged.flags.map(({ index, kind }) => {
      const reading = read[index]!
      return { entryId: reading.id, day: fromDay(reading.day), count: reading.count, kind }
    }),
    totalAt,
    after,
    dayAfter: (since, amount, chance) => after(since, amount).dayAt(chance),
  }
}

/** Place of the first reading after a day; readings are in order. */
function firstAfter(kept: { day: number }[], day: number): number {
  let [low, high] = [0, kept.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (kept[middle]!.day > day) high = middle
    else low = middle + 1
  }
  return low
}
