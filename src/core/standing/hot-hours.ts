import { horizonDays } from '../usage/first-passage.ts'
import { type Level, nearestSetting } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'

/** A month of a machine that is hot twelve hours a day. From memory. */
export const hotHoursAMonth = 360

/** Hours above 60 °C, by which rubber ages where they are known. */
export interface HotHours {
  perOpenDay: number
  perClosedDay: number
  /** On average over the calendar. */
  perDay: number
  level: Level
  between(from: number, to: number): number
  dayAfter(from: number, hours: number): number | null
}

/** @returns null where nobody said how long it is hot: months count */
export function hotHours({ histories, use, opening }: MachineFacts): HotHours | null {
  const set = nearestSetting(histories, 'hot-hours')
  if (!set) return null
  const { perOpenDay, perClosedDay } = set.body
  const between = (from: number, to: number) => {
    const open = use.open.plain.count(from, to)
    return open * perOpenDay + (to - from - open) * perClosedDay
  }
  return {
    perOpenDay,
    perClosedDay,
    perDay: perOpenDay * opening.shareOpen + perClosedDay * (1 - opening.shareOpen),
    level: set.level,
    between,
    dayAfter(from, hours) {
      let [below, above] = [from, from + 2 * horizonDays]
      if (between(below, above) < hours) return null
      while (above - below > 1) {
        const middle = (below + above) >> 1
        if (between(from, middle) >= hours) above = middle
        else below = middle
      }
      return above
    },
  }
}
