/**
 * A local day is a string `YYYY-MM-DD`; a day number counts days since 1970-01-01.
 * The core knows only days: hours and zones belong to whoever recorded them.
 */
export type LocalDay = string

/**
 * Day number of a local day.
 * @returns null when the text is not a real date
 * @example dayNumber('1970-01-02') // 1
 * @example dayNumber('2026-02-30') // null
 */
export function dayNumber(day: LocalDay): number | null {
  if (day.length !== 10 || day[4] !== '-' || day[7] !== '-') return null
  const year = digits(day, 0, 4)
  const month = digits(day, 5, 7)
  const date = digits(day, 8, 10)
  // Before the year 100 a typing error is likelier than a date.
  if (!(year >= 100 && month >= 1 && month <= 12 && date >= 1 && date <= daysIn(year, month))) return null
  return fromCivil(year, month, date)
}

/** The whole number written there; NaN where something else is. */
function digits(text: string, from: number, to: number): number {
  let value = 0
  for (let i = from; i < to; i += 1) {
    const digit = text.charCodeAt(i) - 48
    if (digit < 0 || digit > 9) return Number.NaN
    value = value * 10 + digit
  }
  return value
}

/*
 * Whole-number arithmetic of the Gregorian calendar: a reckoning turns thousands of days over, and date
 * objects would be most of its time. Years are counted from March, so that the leap day comes last, in
 * eras of 400 years (146,097 days). 719,468 days lie between 0000-03-01 and 1970-01-01.
 */
function fromCivil(year: number, month: number, date: number): number {
  const y = month <= 2 ? year - 1 : year
  const era = Math.floor(y / 400)
  const yearOfEra = y - era * 400
  const dayOfYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + date - 1
  return era * 146_097 + yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfYear - 719_468
}

function toCivil(number: number): { year: number; month: number; date: number } {
  const z = number + 719_468
  const era = Math.floor(z / 146_097)
  const dayOfEra = z - era * 146_097
  const yearOfEra = Math.floor(
    (dayOfEra - Math.floor(dayOfEra / 1460) + Math.floor(dayOfEra / 36_524) - Math.floor(dayOfEra / 146_096)) / 365,
  )
  const dayOfYear = dayOfEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100))
  const fromMarch = Math.floor((5 * dayOfYear + 2) / 153)
  const month = fromMarch < 10 ? fromMarch + 3 : fromMarch - 9
  return {
    year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
    month,
    date: dayOfYear - Math.floor((153 * fromMarch + 2) / 5) + 1,
  }
}

const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0
const daysIn = (year: number, month: number) =>
  month === 2 ? (isLeap(year) ? 29 : 28) : 30 + ((month + (month >> 3)) % 2)

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
export function fromDay(number: number): LocalDay {
  const { year, month, date } = toCivil(number)
  return `${String(year).padStart(4, '0')}-${month < 10 ? '0' : ''}${month}-${date < 10 ? '0' : ''}${date}`
}

/** Weekday, Monday 1 … Sunday 7. @example weekday(toDay('2026-11-26')) // 4, a Thursday */
export const weekday = (number: number): number => ((((number + 3) % 7) + 7) % 7) + 1

/**
 * Calendar months later; a day the month lacks becomes its last. A part of a month counts 30.4375 days.
 * @example fromDay(addMonths(toDay('2026-01-31'), 1)) // '2026-02-28'
 */
export function addMonths(number: number, months: number): number {
  const whole = Math.trunc(months)
  const { year, month, date } = toCivil(number)
  const monthsIn = year * 12 + (month - 1) + whole
  const [toYear, toMonth] = [Math.floor(monthsIn / 12), (((monthsIn % 12) + 12) % 12) + 1]
  return fromCivil(toYear, toMonth, Math.min(date, daysIn(toYear, toMonth))) + Math.round((months - whole) * 30.4375)
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

/** Months since the year 0, January of a year being a multiple of 12. @example monthNumber(0) // 23640 */
export function monthNumber(day: number): number {
  const { year, month } = toCivil(day)
  return year * 12 + month - 1
}

/** First day of a month, as a day number. @example firstOfMonth(23640) // 0 */
export const firstOfMonth = (month: number): number => fromCivil(Math.floor(month / 12), (month % 12) + 1, 1)
