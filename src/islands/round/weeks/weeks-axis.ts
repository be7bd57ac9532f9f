import { fromDay, type LocalDay, toDay, weekday } from '../../../core/quantity/local-day.ts'
import { dayShort } from '../../../ui/format.ts'

/** The weeks ahead, each day as wide as the others; what is over lies pressed to the left of today. */
export interface WeeksAxis {
  today: LocalDay
  width: number
  days: number
  dayWidth: number
  todayX: number
  /** The middle of a day. */
  x(day: LocalDay): number
  at(index: number): number
  /** Mondays, with their dates where there is room. */
  weeks: { x: number; label?: string }[]
}

const pastWidth = 34
const longestPast = 60

export function weeksAxis(today: LocalDay, days: number, width: number): WeeksAxis {
  const start = toDay(today)
  const dayWidth = (width - pastWidth - 6) / days
  const round = (x: number) => Math.round(x * 100) / 100
  const at = (index: number) =>
    round(
      index < 0
        ? Math.max(2, pastWidth + (index / longestPast) * (pastWidth - 4))
        : Math.min(width - 2, pastWidth + (index + 0.5) * dayWidth),
    )
  const mondays = Array.from({ length: days }, (_, d) => d).filter((d) => weekday(start + d) === 1)
  const every = dayWidth * 7 < 52 ? 2 : 1
  return {
    today,
    width,
    days,
    dayWidth,
    todayX: pastWidth,
    x: (day) => at(toDay(day) - start),
    at,
    weeks: mondays.map((d, i) => ({
      x: round(pastWidth + d * dayWidth),
      ...(i % every === 0 && at(d) < width - 40 && { label: dayShort(fromDay(start + d)) }),
    })),
  }
}
