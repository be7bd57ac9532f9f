import { addMonths, dayNumber, fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import { empty, plainText, saysUnknown, type Typed, value, wrong } from './typed.ts'

/** How a spreadsheet writes days: chosen by the user where the cells leave it open. */
export const dateForms = ['day-first', 'month-first', 'year-first'] as const
export type DateForm = (typeof dateForms)[number]

/** A day, or what is known of it: a month or a year is as good as its middle, and says so. */
export interface TypedDay {
  /** The day it is kept as. */
  on: LocalDay
  /** What was known, where that was less than the day. */
  known?: 'month' | 'year'
}

/**
 * Reads a day in the form the user chose. A weekday before it and a time behind it are dropped; ISO days are always
 * understood; a bare number between 30,000 and 80,000 is a spreadsheet's day count from 1899-12-30. A month or a
 * year alone is kept as its middle, and what was known is said with it.
 *
 * @param today - where it is given, a day without a year is the last such day
 * @example readDay('26.11.2026', 'day-first') // { is: 'value', value: { on: '2026-11-26' } }
 * @example readDay('11/26/26', 'month-first') // { is: 'value', value: { on: '2026-11-26' } }
 * @example readDay('Mrz 2024', 'day-first') // { is: 'value', value: { on: '2024-03-16', known: 'month' } }
 */
export function readDay(text: string, form: DateForm, today?: LocalDay): Typed<TypedDay> {
  const plain = plainText(text)
  if (plain === '') return empty
  if (saysUnknown(plain)) return { is: 'unknown' }
  const bare = plain
    .replace(timeBehind, '')
    .replace(aboutBefore, '')
    .replace(/[,.]+$/, '')
  // "Mar" is March, and Tuesday in French: a weekday only where the rest is a day and the whole is none.
  return read(bare, form, today) ?? read(bare.replace(weekdayBefore, ''), form, today) ?? wrong('is not a date')
}

function read(text: string, form: DateForm, today: LocalDay | undefined): Typed<TypedDay> | null {
  if (/^\d{5}([.,]\d+)?$/.test(text)) return fromCount(Number.parseInt(text, 10))
  return (
    fromFigures(text, form) ??
    fromWords(text) ??
    monthAlone(text) ??
    (today === undefined ? null : withoutYear(text, form, today))
  )
}

/** The day alone; null where it is none. @example dayOf('26.11.2026', 'day-first') // '2026-11-26' */
export function dayOf(text: string, form: DateForm): LocalDay | null {
  const typed = readDay(text, form)
  return typed.is === 'value' ? typed.value.on : null
}

/** Which forms read every cell: more than one means the user must say. Cells that say nothing have no say. */
export function fittingForms(cells: string[]): DateForm[] {
  const said = cells.filter((cell) => !['empty', 'unknown'].includes(readDay(cell, 'year-first').is))
  return dateForms.filter((form) => said.every((cell) => dayOf(cell, form) !== null))
}

/** Whether a form changes what the cells mean: days with names of months, or of which a half is above 12, do not. */
export const formsDiffer = (cells: string[], forms: DateForm[]): boolean =>
  cells.some((cell) => new Set(forms.map((form) => dayOf(cell, form))).size > 1)

const timeBehind = /[T, ]+\d{1,2}[:.h]\d{2}([:.]\d{2}([.,]\d+)?)?\s*(am|pm|uhr|z|[+-]\d\d:?\d\d)?$/i
const weekdayBefore =
  /^(mo|tu|tue|we|wed|th|thu|fr|fri|sa|sat|su|sun|mon|di|mi|do|so|lu|ma|me|je|ve|di|lun|mar|mer|jeu|ven|sam|dim|monday|tuesday|wednesday|thursday|friday|saturday|sunday|montag|dienstag|mittwoch|donnerstag|freitag|samstag|sonntag|lundi|mardi|mercredi|jeudi|vendredi|samedi|dimanche)[.,]? (?=\d)/i
const aboutBefore = /^(~|≈|ca\.?|circa|approx\.?|about|around|env\.?|environ|etwa|um|vers) */i

/** Months in English, German, French, Italian, Spanish and Dutch, by how they begin. */
const monthBeginnings: string[][] = [
  ['jan', 'jän', 'gen', 'ene'],
  ['feb', 'fév', 'fev', 'fév'],
  ['mar', 'mär', 'mrz', 'maa', 'mrt'],
  ['apr', 'avr', 'abr'],
  ['may', 'mai', 'mag', 'mei'],
  ['jun', 'juin', 'giu'],
  ['jul', 'juil', 'lug'],
  ['aug', 'aoû', 'aou', 'ago'],
  ['sep', 'set'],
  ['oct', 'okt', 'ott'],
  ['nov'],
  ['dec', 'dez', 'déc', 'dic'],
]

/** @returns 1 … 12, or null where no month begins so */
function monthNamed(word: string): number | null {
  const small = word.toLowerCase()
  const found = monthBeginnings.findIndex((begins) => begins.some((beginning) => small.startsWith(beginning)))
  return found < 0 ? null : found + 1
}

const letters = '[a-zà-ÿ]{3,10}'
const between = '[.\\s/-]*'

function fromFigures(text: string, form: DateForm): Typed<TypedDay> | null {
  const compact = /^(19|20)(\d\d)(\d\d)(\d\d)$/.exec(text)
  if (compact) return exact(`${compact[1]}${compact[2]}`, Number(compact[3]), compact[4]!)
  const parts = /^(\d{1,4})\s?[./\-\s]\s?(\d{1,2})\s?[./\-\s]\s?(\d{1,4})$/.exec(text)
  if (!parts) return null
  const [, a, b, c] = parts as unknown as [string, string, string, string]
  if (a.length === 4 || form === 'year-first') return exact(a, Number(b), c)
  return form === 'day-first' ? exact(c, Number(b), a) : exact(c, Number(a), b)
}

function fromWords(text: string): Typed<TypedDay> | null {
  const dayFirst = new RegExp(
    `^(\\d{1,2})(?:st|nd|rd|th|er|e|º|°)?${between}(?:de |of )?(${letters})${between}(?:de |of )?'?(\\d{4}|\\d\\d)$`,
    'i',
  ).exec(text)
  if (dayFirst) return named(dayFirst[3]!, dayFirst[2]!, dayFirst[1]!)
  const monthFirst = new RegExp(`^(${letters})${between}(\\d{1,2})(?:st|nd|rd|th)?,? '?(\\d{4}|\\d\\d)$`, 'i').exec(
    text,
  )
  return monthFirst && named(monthFirst[3]!, monthFirst[1]!, monthFirst[2]!)
}

function named(year: string, month: string, date: string): Typed<TypedDay> | null {
  const number = monthNamed(month)
  return number === null ? null : exact(year, number, date)
}

/** "03/2024", "Mar 24", "2024-03", "2023": known to the month or the year. */
function monthAlone(text: string): Typed<TypedDay> | null {
  const year = /^(?:19|20)\d\d$/.exec(text)
  if (year) return value({ on: `${text}-07-01`, known: 'year' })
  const yearFirst = /^((?:19|20)\d\d)[./ -](\d{1,2})$/.exec(text)
  if (yearFirst) return month(yearFirst[1]!, Number(yearFirst[2]))
  const monthFirst = /^(\d{1,2})[./ -]((?:19|20)\d\d)$/.exec(text)
  if (monthFirst) return month(monthFirst[2]!, Number(monthFirst[1]))
  const inWords = new RegExp(`^(${letters})${between}'?(\\d{4}|\\d\\d)$`, 'i').exec(text)
  const number = inWords && monthNamed(inWords[1]!)
  return number ? month(fullYear(inWords[2]!), number) : null
}

function month(year: string, number: number): Typed<TypedDay> | null {
  return number >= 1 && number <= 12
    ? value({ on: `${year}-${String(number).padStart(2, '0')}-16`, known: 'month' })
    : null
}

/** "26.11." and "26 Nov", as this year's days are shown: the last such day. */
function withoutYear(text: string, form: DateForm, today: LocalDay): Typed<TypedDay> | null {
  const figures = /^(\d{1,2})[./-](\d{1,2})$/.exec(text)
  const words = new RegExp(`^(\\d{1,2})\\.? ?(${letters})$`, 'i').exec(text)
  const [date, number] = figures
    ? form === 'day-first'
      ? [figures[1]!, Number(figures[2])]
      : [figures[2]!, Number(figures[1])]
    : words
      ? [words[1]!, monthNamed(words[2]!)]
      : ['', null]
  if (number === null) return null
  const year = Number(today.slice(0, 4))
  for (const one of [year, year - 1]) {
    const typed = exact(String(one), number, date)
    if (typed?.is === 'value' && typed.value.on <= today) return typed
  }
  return null
}

function fromCount(count: number): Typed<TypedDay> {
  return count >= 30_000 && count <= 80_000 ? value({ on: fromDay(count - 25_569) }) : wrong('is not a date')
}

/** Two figures are of this century up to 69, of the last from 70 on, as spreadsheets take them. */
const fullYear = (year: string): string =>
  year.length <= 2 ? String((Number(year) < 70 ? 2000 : 1900) + Number(year)) : year

function exact(year: string, number: number, date: string): Typed<TypedDay> | null {
  if (year.length === 3) return null
  const on = `${fullYear(year).padStart(4, '0')}-${String(number).padStart(2, '0')}-${date.padStart(2, '0')}`
  return dayNumber(on) === null ? null : value({ on })
}

/** First and last day of what was known. @example boundsOf({ on: '2024-03-16', known: 'month' }) // 1 to 31 March */
export function boundsOf({ on, known }: TypedDay): { from: LocalDay; to: LocalDay } {
  if (known === 'year') return { from: `${on.slice(0, 4)}-01-01`, to: `${on.slice(0, 4)}-12-31` }
  if (known === 'month') {
    const from = `${on.slice(0, 7)}-01`
    return { from, to: fromDay(addMonths(toDay(from), 1) - 1) }
  }
  return { from: on, to: on }
}
