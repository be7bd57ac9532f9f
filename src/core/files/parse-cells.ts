import { dayNumber, fromDay, type LocalDay } from '../quantity/local-day.ts'

/** How a spreadsheet writes days: chosen by the user where the cells leave it open. */
export const dateForms = ['day-first', 'month-first', 'year-first'] as const
export type DateForm = (typeof dateForms)[number]

const numeric = /^(\d{1,4})[./\-\s]+(\d{1,2})[./\-\s]+(\d{1,4})$/
const named = /^(\d{1,2})[.\s-]*([a-zäé]{3,9})\.?[\s-]*(\d{2,4})$/i
const monthNames = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']

/**
 * Reads a day in the form the user chose. A time behind it is dropped; ISO days are always understood;
 * a bare number between 30,000 and 80,000 is a spreadsheet's day count from 1899-12-30.
 *
 * @returns null when it is not a date
 * @example parseDateCell('26.11.2026', 'day-first') // '2026-11-26'
 * @example parseDateCell('11/26/26', 'month-first') // '2026-11-26'
 * @example parseDateCell('46352', 'day-first') // '2026-11-26'
 */
export function parseDateCell(cell: string, form: DateForm): LocalDay | null {
  const text = cell.trim().replace(/[T\s]+\d{1,2}:\d{2}(:\d{2}(\.\d+)?)?\s*(am|pm|z)?$/i, '')
  if (/^\d{5}$/.test(text)) {
    const count = Number(text)
    return count >= 30_000 && count <= 80_000 ? fromDay(count - 25_569) : null
  }
  const month = named.exec(text)
  if (month) {
    const index = monthNames.indexOf(month[2]!.toLowerCase().slice(0, 3))
    return index < 0 ? null : day(month[3]!, index + 1, month[1]!)
  }
  const parts = numeric.exec(text)
  if (!parts) return null
  const [, a, b, c] = parts as unknown as [string, string, string, string]
  if (a.length === 4) return day(a, Number(b), c)
  if (form === 'year-first') return day(a, Number(b), c)
  return form === 'day-first' ? day(c, Number(b), a) : day(c, Number(a), b)
}

/** Which forms read every cell: more than one means the user must say. */
export function fittingForms(cells: string[]): DateForm[] {
  return dateForms.filter((form) => cells.every((cell) => parseDateCell(cell, form) !== null))
}

function day(year: string, month: number, date: string): LocalDay | null {
  const full = year.length <= 2 ? 2000 + Number(year) : Number(year)
  const text = `${String(full).padStart(4, '0')}-${String(month).padStart(2, '0')}-${date.padStart(2, '0')}`
  return dayNumber(text) === null ? null : text
}

/**
 * Reads a count as people type it: 184220, 184,220, 184.220, 184 220, 184'220. A separator must part
 * groups of three; a fraction is no count.
 *
 * @returns null when it is not a whole number ≥ 0
 * @example parseCountCell('184.220') // 184220
 * @example parseCountCell('18.4') // null
 */
export function parseCountCell(cell: string): number | null {
  const text = cell.trim().replace(/[  ]/g, ' ')
  if (/^\d+$/.test(text)) return Number(text)
  if (/^\d{1,3}([,.' ])\d{3}(\1\d{3})*$/.test(text)) return Number(text.replace(/[,.' ]/g, ''))
  const wholes = /^(\d+)[.,]0+$/.exec(text)
  return wholes ? Number(wholes[1]) : null
}
