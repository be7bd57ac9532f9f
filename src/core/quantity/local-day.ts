/**
 * A local day is a string `YYYY-MM-DD`; a day number counts days since 1970-01-01.
 * The core knows only days: hours and zones belong to whoever recorded them.
 */
export type LocalDay = string

const pattern = /^(\d{4})-(\d{2})-(\d{2})$/
const msPerDay = 86_400_000

/**
 * Day number of a local day.
 * @returns null when the text is not a real date
 * @example dayNumber('1970-01-02') // 1
 * @example dayNumber('2026-02-30') // null
 */
export function dayNumber(day: LocalDay): number | null {
  const match = pattern.exec(day)
  if (!match) return null
  const [year, month, date] = [Number(match[1]), Number(match[2]), Number(match[3])]
  const ms = Date.UTC(year, month - 1, date)
  const back = new Date(ms)
  if (back.getUTCFullYear() !== year || back.getUTCMonth() !== month - 1 || back.getUTCDate() !== date) return null
  return Math.round(ms / msPerDay)
}

/**
 * Day number of a day already parsed at the door.
 * @throws RangeError when it is not a date after all
 */
export function toDay(day: LocalDay): number {
  const number = dayNumber(day)
  if (number === null) throw new RangeError(`toDay: not a date, got "${day}"`)
  return number
}

/** @example fromDay(1) // '1970-01-02' */
export const fromDay = (number: number): LocalDay => new Date(number * msPerDay).toISOString().slice(0, 10)

/** Weekday, Monday 1 … Sunday 7. @example weekday(toDay('2026-11-26')) // 4, a Thursday */
export const weekday = (number: number): number => ((((number + 3) % 7) + 7) % 7) + 1

/**
 * Calendar months later; a day the month lacks becomes its last. A part of a month counts 30.4375 days.
 * @example fromDay(addMonths(toDay('2026-01-31'), 1)) // '2026-02-28'
 */
export function addMonths(number: number, months: number): number {
  const whole = Math.trunc(months)
  const start = new Date(number * msPerDay)
  const first = new Date(Date.UTC(start.getUTCFullYear(), start.getUTCMonth() + whole, 1))
  const last = new Date(Date.UTC(first.getUTCFullYear(), first.getUTCMonth() + 1, 0)).getUTCDate()
  const day = Math.min(start.getUTCDate(), last)
  const landed = Math.round(Date.UTC(first.getUTCFullYear(), first.getUTCMonth(), day) / msPerDay)
  return landed + Math.round((months - whole) * 30.4375)
}

/**
 * Months from one day to another, whole months and the share of the next.
 * @example monthsBetween(toDay('2026-01-15'), toDay('2026-03-15')) // 2
 */
export function monthsBetween(from: number, to: number): number {
  if (to < from) return -monthsBetween(to, from)
  let whole = Math.max(0, Math.floor((to - from) / 30.4375) - 1)
  while (addMonths(from, whole + 1) <= to) whole += 1
  const start = addMonths(from, whole)
  return whole + (to - start) / (addMonths(from, whole + 1) - start)
}
