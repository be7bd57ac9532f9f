import { empty, plainText, saysUnknown, type Typed, type Unread, value, wrong } from './typed.ts'

/** Which mark parts whole from fraction. */
export type DecimalMark = '.' | ','

export interface NumberHow {
  /** Words that may stand behind it and mean what the field means anyway: "shots", "Bezüge". Small letters. */
  units?: readonly string[]
  /** The mark that the file or the firm uses, where something says so. */
  mark?: DecimalMark | null
  /** What the field can hold: of two readings the one outside is none. */
  from?: number
  to?: number
}

/** "about", in the languages of lists that came in: what stands behind is what they wrote down. */
const about = /^(~|≈|ca\.?|circa|approx\.?|approximately|about|around|env\.?|environ|etwa|rund|±)\s*/i

/** So many are kept exactly. */
const mostDigits = 15
const mostCount = 100_000_000

/**
 * A number as people write it, in any of the usual marks: a point or a comma, groups of three parted by point, comma,
 * blank or apostrophe. "1.234" and "1,234" are a thousand to some and one and a bit to others: both are said, unless
 * the marks, the limits or the file tell which.
 *
 * @example readNumber('14,5') // { is: 'value', value: 14.5 }
 * @example readNumber('1.234') // { is: 'either', values: [1234, 1.234] }
 * @example readNumber('1.234', { to: 25 }) // { is: 'value', value: 1.234 }
 * @example readNumber('12 bar', { units: ['bar'] }) // { is: 'value', value: 12 }
 */
export function readNumber(text: string, how: NumberHow = {}): Typed<number> {
  const read = readParts(text)
  if (read.is !== 'value') return read
  const { sign, body, tail } = read.value
  const unit = tail.toLowerCase()
  if (unit && !(how.units ?? []).includes(unit)) return wrong(strange(tail))
  const meant = bodyMeans(body)
  if (meant.length === 0) return wrong('has its points and commas where no number has them')
  const all = meant.map((one) => (one.value === 0 ? 0 : sign * one.value))
  const inside = all.filter((one) => one >= (how.from ?? -Infinity) && one <= (how.to ?? Infinity))
  if (inside.length === 0) return wrong(outside(all, how))
  if (inside.length === 1) return value(inside[0]!)
  const marked = how.mark ? meant.findIndex(({ mark }) => mark === how.mark) : -1
  return marked >= 0 ? value(all[marked]!) : { is: 'either', values: [inside[0]!, inside[1]!] }
}

/**
 * A count of shots, drinks, litres on a meter without decimals: whole, from 0 on. Since it is whole, "84.210" and
 * "84,210" can only be eighty-four thousand; "84.2" is none.
 *
 * @example readCount('84,210') // { is: 'value', value: 84210 }
 * @example readCount('20900 Bezüge', { units: countWords }) // { is: 'value', value: 20900 }
 * @example readCount('18.4') // { is: 'wrong', why: 'is no whole number' }
 */
export function readCount(text: string, how: { units?: readonly string[]; to?: number } = {}): Typed<number> {
  const read = readParts(text)
  if (read.is !== 'value') return read
  const { sign, body, tail } = read.value
  const { times, unit } = thousands(tail)
  if (unit && !how.units?.includes(unit)) return wrong(strange(tail))
  const meant = bodyMeans(body).map((one) => (times === 1 ? one.value : Math.round(one.value * times * 1e6) / 1e6))
  if (meant.length === 0) return wrong('has its points and commas where no number has them')
  if (times > 1 && meant.length > 1) return { is: 'either', values: [meant[0]!, meant[1]!] }
  const whole = meant.filter((one) => Number.isInteger(one))
  if (whole.length === 0) return wrong('is no whole number')
  if (sign < 0 && whole[0] !== 0) return wrong('is below 0')
  const most = how.to ?? mostCount
  if (whole[0]! > most) return wrong(`is above ${most.toLocaleString('en')}: more than any counter shows`)
  return value(whole[0]!)
}

/** "84k", "84 tsd.": so many thousands. */
function thousands(tail: string): { times: number; unit: string } {
  const found = /^(k|tsd\.?|thousand|tausend|mila|mil|mille)( |$)/i.exec(tail)
  return { times: found ? 1000 : 1, unit: (found ? tail.slice(found[0].length) : tail).toLowerCase() }
}

/** Sign, figure and what stands behind it. */
function readParts(text: string): Unread | { is: 'value'; value: { sign: 1 | -1; body: string; tail: string } } {
  const plain = plainText(text)
  if (plain === '') return empty
  if (saysUnknown(plain)) return { is: 'unknown' }
  const bare = plain.replace(about, '')
  if (/^[+-]?[\d.,' ]*\de[+-]?\d+$/i.test(bare))
    return wrong('was shortened by a spreadsheet (an E in it): its last digits are lost')
  const parts = /^([+-]?) ?((?:\d[\d.,' ]*\d|\d)|[.,]\d+) ?(.*)$/.exec(bare)
  if (!parts) return wrong(/\d/.test(bare) ? `does not begin with a number` : 'is no number')
  const [, sign, body, tail] = parts as unknown as [string, string, string, string]
  if (body.replace(/\D/g, '').length > mostDigits) return wrong('has more digits than any figure here')
  // "12,-" and "12.–": nothing behind the mark, as prices are written.
  const behind = tail.replace(/^[.,] ?-?$/, '').trim()
  return { is: 'value', value: { sign: sign === '-' ? -1 : 1, body, tail: behind } }
}

/** What the figures can mean, with the mark each takes for the decimal one; none where the marks make no sense. */
function bodyMeans(body: string): { value: number; mark: DecimalMark | null }[] {
  const marks = [...new Set(body.replace(/\d/g, ''))]
  if (marks.length === 0) return [{ value: Number(body), mark: null }]
  if (marks.length > 2) return []
  const last = [...body].filter((one) => !/\d/.test(one)).at(-1)!
  const isOnce = body.indexOf(last) === body.lastIndexOf(last)
  const canPart = (last === '.' || last === ',') && isOnce
  if (marks.length === 2) {
    if (!canPart) return []
    const [whole, rest] = body.split(last) as [string, string]
    const grouped = groups(whole, marks.find((mark) => mark !== last)!)
    return grouped === null ? [] : [{ value: Number(`${grouped}.${rest}`), mark: last as DecimalMark }]
  }
  const grouped = groups(body, last)
  const means: { value: number; mark: DecimalMark | null }[] = []
  if (grouped !== null) means.push({ value: Number(grouped), mark: last === '.' ? ',' : last === ',' ? '.' : null })
  if (canPart) means.push({ value: Number(body.replace(last, '.')), mark: last as DecimalMark })
  return means
}

/** The digits of groups of three; null where they are none. @example groups('1.234.567', '.') // '1234567' */
function groups(text: string, mark: string): string | null {
  const [first = '', ...rest] = text.split(mark)
  const isGrouped = /^[1-9]\d{0,2}$/.test(first) && rest.every((group) => /^\d{3}$/.test(group))
  return isGrouped ? first + rest.join('') : null
}

const strange = (tail: string) => `has "${tail.slice(0, 30)}" behind it, which means nothing here`

const outside = (all: number[], { from, to }: NumberHow) =>
  from !== undefined && all.every((one) => one < from) ? `is below ${from}` : `is above ${to}`

/**
 * The mark that a column's cells use for the decimal one, where any cell tells: "14,5" does, "1,234" does not.
 * Null where none tells, or where they contradict each other.
 */
export function decimalMarkOf(cells: Iterable<string>): DecimalMark | null {
  const told = new Set<DecimalMark>()
  for (const cell of cells) {
    const read = readParts(cell)
    if (read.is !== 'value') continue
    const meant = bodyMeans(read.value.body)
    if (meant.length === 1 && meant[0]!.mark) told.add(meant[0]!.mark)
  }
  return told.size === 1 ? [...told][0]! : null
}
