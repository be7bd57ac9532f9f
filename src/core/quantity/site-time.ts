import { TZDate } from '@date-fns/tz'
import type { LocalDay } from './local-day.ts'

const two = (n: number): string => String(n).padStart(2, '0')

/** The day an instant falls on where a site is. @example dayAt('Pacific/Auckland', Date.parse('2026-11-26T20:20Z')) // '2026-11-27' */
export function dayAt(timeZone: string, instant: number | Date): LocalDay {
  let format = dayFormats.get(timeZone)
  if (!format) {
    format = new Intl.DateTimeFormat('en-CA', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' })
    dayFormats.set(timeZone, format)
  }
  return format.format(instant)
}

/** One a time zone: making one costs more than using it. */
const dayFormats = new Map<string, Intl.DateTimeFormat>()

/** What the clock on the wall of a site shows at an instant. @example timeAt('Pacific/Honolulu', instant) // '09:20' */
export function timeAt(timeZone: string, instant: number | Date): string {
  const there = new TZDate(Number(instant), timeZone)
  return `${two(there.getHours())}:${two(there.getMinutes())}`
}

/** Where nobody knows the hour, the middle of the day. */
const noon = '12:00'

/**
 * The instant of a time on the clock of a site. A time that the clocks skip in spring is as much later; one they pass
 * twice in autumn is one of the two.
 *
 * @param time - `HH:MM`; noon where it is left out
 * @returns ISO 8601, UTC
 * @example instantAt('Pacific/Auckland', '2026-11-27', '09:20') // '2026-11-26T20:20:00.000Z'
 */
export function instantAt(timeZone: string, day: LocalDay, time = noon): string {
  const [year, month, date] = day.split('-').map(Number) as [number, number, number]
  const [hour, minute] = time.split(':').map(Number) as [number, number]
  return new Date(new TZDate(year, month - 1, date, hour, minute, timeZone).getTime()).toISOString()
}

/**
 * When something happened that is written down now, for a day: this moment where it is that day at the site, its noon
 * where it is another.
 */
export const happenedAt = (timeZone: string, day: LocalDay, now: Date): string =>
  dayAt(timeZone, now) === day ? now.toISOString() : instantAt(timeZone, day)

/**
 * Minutes of a day of one zone, counted as they pass from its midnight, at which the clock of another shows a time: on
 * the days the clocks are changed an hour is left out, or passes twice.
 *
 * @example minuteOfDay('Europe/London', '2026-11-26', '08:30', 'Europe/London') // 510
 * @example minuteOfDay('Europe/London', '2026-03-29', '08:30', 'Europe/London') // 450
 */
export const minuteOfDay = (timeZone: string, day: LocalDay, time: string, at: string): number =>
  (Date.parse(instantAt(at, day, time)) - Date.parse(instantAt(timeZone, day, '00:00'))) / 60_000

/**
 * What the clock of a place shows when so many minutes of a day have passed: `minuteOfDay` the other way.
 * @example clockAt('Europe/London', '2026-11-26', 510, 'Europe/Paris') // '09:30'
 */
export const clockAt = (timeZone: string, day: LocalDay, minute: number, at: string): string =>
  timeAt(at, Date.parse(instantAt(timeZone, day, '00:00')) + Math.round(minute) * 60_000)
