import { firstOfMonth, type LocalDay, monthNumber, toDay, weekday } from '../quantity/local-day.ts'

/** When a site is open: weekdays (Monday 1 … Sunday 7), less closures (both ends closed). */
export interface Opening {
  openWeekdays: number[]
  closures: { from: LocalDay; to: LocalDay }[]
  /** How busy each month is beside the others, January first: 1 as usual, 1.5 half as much again. */
  months?: number[]
}

export interface OpenDays {
  /** Open days in [from, to), each for as many as its month is busy. Negative when `to` is before `from`. */
  count(from: number, to: number): number
  /** The open day at or after `from` that brings the count to n, n > 0; null when there is none within 20 years. */
  nth(from: number, n: number): number | null
  /** The same by the calendar alone, a day one day: for what is done daily however busy it is. */
  plain: OpenDays
}

const twentyYears = 7305

/**
 * Counts a site's open days without walking them: whole weeks by arithmetic, closures taken off.
 * @example openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [] }).count(0, 7) // 5
 */
export function openDays(opening: Opening): OpenDays {
  const open = Array.from({ length: 8 }, (_, day) => opening.openWeekdays.includes(day))
  const perWeek = open.filter(Boolean).length
  // Open days of a week that begins on day number 0, a Thursday, before its first, second … day.
  const before = [0]
  for (let day = 0; day < 7; day += 1) before.push(before[day]! + (open[weekday(day)] ? 1 : 0))
  const byWeekday = (day: number) => {
    const week = Math.floor(day / 7)
    return week * perWeek + before[day - week * 7]!
  }
  const closures = merged(opening.closures)
  // Open weekdays closed before each closure begins, so that any stretch is one subtraction.
  const closedBefore = [0]
  for (const [start, end] of closures) closedBefore.push(closedBefore.at(-1)! + byWeekday(end) - byWeekday(start))
  const closed = (day: number) => {
    let low = 0
    let high = closures.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (closures[middle]![0] < day) low = middle + 1
      else high = middle
    }
    if (low === 0) return 0
    const [start, end] = closures[low - 1]!
    return closedBefore[low - 1]! + byWeekday(Math.min(day, end)) - byWeekday(start)
  }
  const until = (day: number) => byWeekday(day) - closed(day)
  const plain = counted(until, perWeek)
  const { months } = opening
  if (!months || months.every((one) => one === 1)) return plain
  return { ...counted(weighed(until, months), perWeek * Math.max(...months)), plain }
}

/** Counts by what has gone by until a day. @param mostPerWeek - no week brings more */
function counted(until: (day: number) => number, mostPerWeek: number): OpenDays {
  const count = (from: number, to: number): number => until(to) - until(from)
  const nth = (from: number, n: number): number | null => {
    // A hair over is rounding, not another day.
    const wanted = until(from) + n - 1e-9
    if (mostPerWeek === 0 || until(from + twentyYears) < wanted) return null
    // Where it would be without closures is never too late.
    let below = Math.max(from, from + Math.floor(((n - 1) * 7) / mostPerWeek) - 7)
    let above = from + twentyYears
    for (let step = 14; below + step < above; step *= 2) {
      if (until(below + step) < wanted) continue
      above = below + step
      break
    }
    while (above - below > 1) {
      const middle = Math.floor((below + above) / 2)
      if (until(middle) < wanted) below = middle
      else above = middle
    }
    return above - 1
  }
  const made: OpenDays = { count, nth, plain: undefined as never }
  made.plain = made
  return made
}

/** Open days gone by, each times its month's weight; what whole months bring is kept once reckoned. */
function weighed(until: (day: number) => number, months: number[]): (day: number) => number {
  const of = (month: number) => months[month % 12]! * (until(firstOfMonth(month + 1)) - until(firstOfMonth(month)))
  /** What whole months from there on bring, until the start of each. */
  const origin = monthNumber(toDay('1990-01-01'))
  const sums: number[] = [0]
  const sumTo = (month: number): number => {
    while (origin + sums.length <= month) sums.push(sums.at(-1)! + of(origin + sums.length - 1))
    return sums[month - origin]!
  }
  return (day) => {
    const month = Math.max(origin, monthNumber(day))
    return sumTo(month) + months[month % 12]! * (until(day) - until(firstOfMonth(month)))
  }
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
