import { plainText } from './typed.ts'

/** A stretch of the clock. */
export interface ClockSpan {
  from: string
  to: string
}

const time = '(\\d{1,2})(?:[:.h](\\d{2}))?\\s*(am|pm)?'
const span = new RegExp(`^${time}\\s*(?:-|to|till|until|bis|–)\\s*${time}$`, 'i')

/**
 * Hours of a day as somebody writes them, in order.
 *
 * @returns an empty list for an empty text, or what is wrong with it
 * @example readHours('7-11:30, 14 to 17') // [{ from: '07:00', to: '11:30' }, { from: '14:00', to: '17:00' }]
 */
export function readHours(text: string): ClockSpan[] | { why: string } {
  const parts = plainText(text)
    .split(/[,;\n]|\band\b/i)
    .map((part) => part.trim())
    .filter(Boolean)
  const spans: ClockSpan[] = []
  for (const part of parts) {
    const read = span.exec(part)
    if (!read) return { why: `is not hours such as 07:00 to 11:30: ${part}` }
    // "2 to 5 pm" is the afternoon for both.
    const [, h1, m1, half1, h2, m2, half2] = read
    const from = clock(h1!, m1, half1 ?? (half2 && Number(h1) <= Number(h2) ? half2 : undefined))
    const to = clock(h2!, m2, half2)
    if (!from || !to) return { why: `is no time on the clock: ${part}` }
    if (to <= from) return { why: `ends before it begins: ${part}` }
    spans.push({ from, to })
  }
  spans.sort((a, b) => a.from.localeCompare(b.from))
  const into = spans.find((one, i) => i > 0 && spans[i - 1]!.to >= one.from)
  return into ? { why: `says ${into.from} twice` } : spans
}

function clock(hour: string, minute = '00', half?: string): string | null {
  const twelve = half ? (Number(hour) % 12) + (half.toLowerCase() === 'pm' ? 12 : 0) : Number(hour)
  if ((half && (Number(hour) < 1 || Number(hour) > 12)) || twelve > 24 || Number(minute) > 59) return null
  if (twelve === 24) return Number(minute) === 0 ? '23:59' : null
  return `${String(twelve).padStart(2, '0')}:${minute}`
}

/** Hours as they are said. @example hoursSaid([{ from: '07:00', to: '11:30' }]) // '07:00 to 11:30' */
export const hoursSaid = (hours: readonly ClockSpan[]): string =>
  hours.map(({ from, to }) => `${from} to ${to}`).join(', ')
