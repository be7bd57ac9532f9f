import { type DecimalMark, readCount, readNumber } from './read-number.ts'
import { readQuantity } from './read-quantity.ts'
import { meant, type Typed, value } from './typed.ts'

/** What a field takes: a count or a figure, in which unit, between which limits. */
export interface Reads {
  /** Counted, not measured: whole. */
  whole?: boolean
  /** The unit it is kept in; another one typed behind the figure is turned into it. */
  unit?: string
  from?: number
  to?: number
  /** The decimal mark of the file it stands in, where that is known. */
  mark?: DecimalMark | null
  /** Words that may stand behind a count besides its unit: small letters. */
  words?: readonly string[]
  /** As this application wrote it into the field, with a point: left as it is, it means what it meant. */
  own?: string
}

/**
 * A figure as its field takes it.
 *
 * @example readAs('84.210', { whole: true }) // { is: 'value', value: 84210 }
 * @example readAs('9 bar', { unit: 'psi' }) // { is: 'value', value: 130.53… }
 */
export function readAs(text: string, { whole, unit, own, words, ...limits }: Reads = {}): Typed<number> {
  if (own !== undefined && own !== '' && text === own) return value(Number(own))
  const units = unit ? [unit.toLowerCase()] : []
  if (whole) {
    const { to } = limits
    const read = readCount(text, { units: [...units, ...(words ?? [])], ...(to !== undefined && { to }) })
    const least = limits.from ?? 0
    return read.is === 'value' && read.value < least ? { is: 'wrong', why: `is below ${least}` } : read
  }
  if (!unit) return readNumber(text, limits)
  const read = readQuantity(text, unit, { ...limits, units })
  if (read.is === 'value') return value(read.value.value)
  return read.is === 'either' ? { is: 'either', values: [read.values[0].value, read.values[1].value] } : read
}

/** The figure; null where it is none, or could be two. */
export const numberIn = (text: string, reads: Reads = {}): number | null => meant(readAs(text, reads))
