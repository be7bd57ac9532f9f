import { type LocalDay, toDay, weekday } from '../quantity/local-day.ts'

/** So many visits back tell a habit; from fewer than the least of them nothing is concluded. From memory. */
const looked = { most: 8, least: 3 }
/** Share of them that must have been on one weekday. */
const mostly = 0.6

/**
 * The weekday a place is usually visited on: 1 Monday to 7 Sunday.
 *
 * @param on - the days somebody was there, in any order
 * @returns null where there is no such habit
 * @example usualWeekday(['2026-11-03', '2026-11-10', '2026-11-17']) // 2
 */
export function usualWeekday(on: readonly LocalDay[]): number | null {
  const last = [...new Set(on)].sort().slice(-looked.most)
  if (last.length < looked.least) return null
  const counts = new Array<number>(8).fill(0)
  for (const day of last) counts[weekday(toDay(day))]! += 1
  const best = counts.indexOf(Math.max(...counts))
  return counts[best]! >= mostly * last.length ? best : null
}
