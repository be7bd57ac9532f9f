import { type LocalDay, toDay, weekday } from '../quantity/local-day.ts'

/** When a site is open: weekdays (Monday 1 … Sunday 7), less closures (both ends closed). */
export interface Opening {
  openWeekdays: number[]
  closures: { from: LocalDay; to: LocalDay }[]
}

export interface OpenDays {
  /** Open days in [from, to). Negative when `to` is before `from`. */
  count(from: number, to: number): number
  /** The n-th open day at or after `from`, n ≥ 1; null when there is none within 20 years. */
  nth(from: number, n: number): number | null
}

const twentyYears = 7305

/**
 * Counts a site's open days without walking them: whole weeks by arithmetic, closures taken off.
 * @example openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [] }).count(0, 7) // 5
 */
export function openDays(opening: Opening): OpenDays {
  const open = Array.from({ length: 8 }, (_, day) => opening.openWeekdays.includes(day))
  const perWeek = open.filter(Boolean).length
  const closures = merged(opening.closures)

  const byWeekday = (from: number, to: number) => {
    const weeks = Math.floor((to - from) / 7)
    let days = weeks * perWeek
    for (let day = from + weeks * 7; day < to; day += 1) if (open[weekday(day)]) days += 1
    return days
  }
  const count = (from: number, to: number): number => {
    if (to < from) return -count(to, from)
    let days = byWeekday(from, to)
    for (const [start, end] of closures) {
      if (start >= to) break
      if (end > from) days -= byWeekday(Math.max(start, from), Math.min(end, to))
    }
    return days
  }
  const nth = (from: number, n: number): number | null => {
    if (count(from, from + twentyYears) < n) return null
    let below = from
    let above = from + twentyYears
    while (above - below > 1) {
      const middle = Math.floor((below + above) / 2)
      if (count(from, middle) < n) below = middle
      else above = middle
    }
    return above - 1
  }
  return { count, nth }
}

/** Closures as half-open day numbers, in order, overlaps joined: counted once. */
function merged(closures: Opening['closures']): [number, number][] {
  const sorted = closures.map(({ from, to }): [number, number] => [toDay(from), toDay(to) + 1])
  sorted.sort((a, b) => a[0] - b[0])
  const result: [number, number][] = []
  for (const [start, end] of sorted) {
    const last = result.at(-1)
    if (last && start <= last[1]) last[1] = Math.max(last[1], end)
    else if (end > start) result.push([start, end])
  }
  return result
}
