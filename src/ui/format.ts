import type { DateStyle } from '../core/firm/preferences.ts'
import { type LocalDay, toDay } from '../core/quantity/local-day.ts'
import { monthNames } from '../core/quantity/month-words.ts'
import { preferences } from './preferences.ts'

const locale = 'en-GB'
/** Day number 0 was a Thursday. */
const weekdays = ['Thu', 'Fri', 'Sat', 'Sun', 'Mon', 'Tue', 'Wed']

// Written by hand: browsers and servers disagree whether September is "Sep" or "Sept", and a browser's own formatters for
// days take a cheap phone a quarter of a second to make, on every page.
const year = (day: LocalDay) => day.slice(0, 4)
const month = (day: LocalDay) => monthNames[Number(day.slice(5, 7)) - 1]!
const shortInWords = (day: LocalDay) => `${Number(day.slice(8))} ${month(day)}`

/** The three forms of a day, by how a firm writes dates. */
const styles: Record<DateStyle, { long(day: LocalDay): string; short(day: LocalDay): string }> = {
  words: { long: (day) => `${shortInWords(day)} ${year(day)}`, short: shortInWords },
  iso: { long: (day) => day, short: (day) => day.slice(5) },
  dots: { long: (day) => parts(day, 'dmy', '.'), short: (day) => `${parts(day, 'dm', '.')}.` },
  dayFirst: { long: (day) => parts(day, 'dmy', '/'), short: (day) => parts(day, 'dm', '/') },
  monthFirst: { long: (day) => parts(day, 'mdy', '/'), short: (day) => parts(day, 'md', '/') },
}

const parts = (day: LocalDay, order: string, between: string) =>
  [...order]
    .map((part) => (part === 'y' ? day.slice(0, 4) : part === 'm' ? day.slice(5, 7) : day.slice(8)))
    .join(between)

const style = () => styles[preferences().dateForm]

/** @example dayLong('2027-01-06') // '6 Jan 2027' */
export const dayLong = (day: LocalDay): string => style().long(day)

/** Without the year. @example dayShort('2027-01-06') // '6 Jan' */
export const dayShort = (day: LocalDay): string => style().short(day)

/** @example dayFull('2026-11-26') // 'Thu 26 Nov 2026' */
export const dayFull = (day: LocalDay): string => `${weekdayShort(day)} ${dayLong(day)}`

/** The year only where it is not the year of `today`. */
export function dayNear(day: LocalDay, today: LocalDay): string {
  if (day.slice(0, 4) === today.slice(0, 4)) return dayShort(day)
  return preferences().dateForm === 'words' ? `${dayShort(day)} ${day.slice(2, 4)}` : dayLong(day)
}

/** The end of a sentence: a day written with points has its own. @example ended('28.11.') // '28.11.' */
export const ended = (words: string): string => (words.endsWith('.') ? words : `${words}.`)

/** @example weekdayShort('2026-11-26') // 'Thu' */
export const weekdayShort = (day: LocalDay): string => weekdays[((toDay(day) % 7) + 7) % 7]!

/** Month and year, for an axis. @example monthYear('2027-01-06') // 'Jan 2027' */
export const monthYear = (day: LocalDay): string => `${month(day)} ${year(day)}`

// Made once, and not before it is used: making one costs more than a thousand uses.
const figures: (Intl.NumberFormat | undefined)[] = []

/** A figure with as many digits as a technician reads: three places that matter, thousands parted. */
export function figure(value: number): string {
  const size = Math.abs(value)
  const digits = size >= 100 || Number.isInteger(value) ? 0 : size >= 10 ? 1 : 2
  figures[digits] ??= new Intl.NumberFormat(locale, { maximumFractionDigits: digits })
  return figures[digits].format(value)
}

/** A count with its noun. @example counted(1, 'machine') // '1 machine' */
export const counted = (count: number, noun: string, plural = `${noun}s`): string =>
  `${figure(count)} ${count === 1 ? noun : plural}`

/** Half the width of a due window, whole days. */
export const halfWidth = (due: { p10: LocalDay; p90: LocalDay }): number =>
  Math.round((toDay(due.p90) - toDay(due.p10)) / 2)

export const daysUntil = (day: LocalDay, today: LocalDay): number => toDay(day) - toDay(today)
