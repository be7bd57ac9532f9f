import { type LocalDay, toDay } from '../core/quantity/local-day.ts'

const locale = 'en-GB'
const date = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(locale, { timeZone: 'UTC', ...options })
const long = date({ day: 'numeric', month: 'short', year: 'numeric' })
const short = date({ day: 'numeric', month: 'short' })
const withWeekday = date({ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' })
const asDate = (day: LocalDay) => new Date(`${day}T00:00:00Z`)

// Browsers and servers disagree whether September is "Sep" or "Sept": three letters everywhere.
const three = (text: string) => text.replace('Sept', 'Sep').replace(',', '')

/** @example dayLong('2027-01-06') // '6 Jan 2027' */
export const dayLong = (day: LocalDay): string => three(long.format(asDate(day)))

/** Without the year. @example dayShort('2027-01-06') // '6 Jan' */
export const dayShort = (day: LocalDay): string => three(short.format(asDate(day)))

/** @example dayFull('2026-11-26') // 'Thu 26 Nov 2026' */
export const dayFull = (day: LocalDay): string => three(withWeekday.format(asDate(day)))

/** The year only where it is not the year of `today`. */
export const dayNear = (day: LocalDay, today: LocalDay): string =>
  day.slice(0, 4) === today.slice(0, 4) ? dayShort(day) : `${dayShort(day)} ${day.slice(2, 4)}`

/** A figure with as many digits as a technician reads: three places that matter, thousands parted. */
export function figure(value: number): string {
  const size = Math.abs(value)
  const digits = size >= 100 || Number.isInteger(value) ? 0 : size >= 10 ? 1 : 2
  return value.toLocaleString(locale, { maximumFractionDigits: digits })
}

/** Half the width of a due window, whole days. */
export const halfWidth = (due: { p10: LocalDay; p90: LocalDay }): number =>
  Math.round((toDay(due.p90) - toDay(due.p10)) / 2)

export const daysUntil = (day: LocalDay, today: LocalDay): number => toDay(day) - toDay(today)
