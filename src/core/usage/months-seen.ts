import { firstOfMonth, monthNumber } from '../quantity/local-day.ts'
import type { OpenDays } from './open-days.ts'

/** A rise of one counter between two days. */
interface SeenRise {
  fromDay: number
  toDay: number
  count: number
}

export interface MonthsSeen {
  /** How busy each month is beside the others, January first; together they make an ordinary year. */
  months: number[]
  /** Days that counters were read over, the longest of them. */
  days: number
}

/** Less than eleven months of readings cannot tell one part of the year from another. */
const leastDays = 330
/** Readings further apart say too little of a month. */
const mostApart = 92
/** Open days that say "as usual" before anything is seen, in each month. From memory. */
const priorDays = 8

/**
 * What counters say of the months: each rise against its own counter's mean, shared out over the months it spans.
 * A counter that grows over one year looks like a season; a second year tells them apart.
 *
 * @param counters - rises of each counter at the place
 * @param open - the place's open days by the calendar
 * @returns null where they were read over less than eleven months
 */
export function monthsSeen(counters: SeenRise[][], open: OpenDays): MonthsSeen | null {
  const drawn = Array<number>(12).fill(priorDays)
  const days = Array<number>(12).fill(priorDays)
  let longest = 0
  for (const rises of counters) {
    const useful = rises.filter(({ fromDay, toDay }) => toDay - fromDay <= mostApart && open.count(fromDay, toDay) > 0)
    const seen = useful.reduce((sum, { fromDay, toDay }) => sum + toDay - fromDay, 0)
    const count = useful.reduce((sum, rise) => sum + rise.count, 0)
    if (seen < leastDays || count === 0) continue
    longest = Math.max(longest, seen)
    const mean = count / useful.reduce((sum, { fromDay, toDay }) => sum + open.count(fromDay, toDay), 0)
    for (const { fromDay, toDay, count: made } of useful) {
      const level = made / open.count(fromDay, toDay) / mean
      for (let month = monthNumber(fromDay); firstOfMonth(month) < toDay; month += 1) {
        const part = open.count(Math.max(fromDay, firstOfMonth(month)), Math.min(toDay, firstOfMonth(month + 1)))
        drawn[month % 12]! += level * part
        days[month % 12]! += part
      }
    }
  }
  if (longest === 0) return null
  const shares = drawn.map((sum, i) => sum / days[i]!)
  const usual = shares.reduce((a, b) => a + b, 0) / 12
  return { months: shares.map((share) => Math.round((share / usual) * 20) / 20), days: longest }
}
