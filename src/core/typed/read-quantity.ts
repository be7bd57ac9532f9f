import { type NumberHow, readNumber } from './read-number.ts'
import { plainText, type Typed, value, wrong } from './typed.ts'
import { dimensionOf, unitWords } from './unit-words.ts'

/** A quantity as it is kept, and how it stood there where that was another unit. */
export interface TypedQuantity {
  /** In the unit that was asked for. */
  value: number
  /** As it was written, where the unit was another. */
  as?: { value: number; unit: string }
}

/**
 * A figure with its unit, in the unit the field keeps. A unit that stands behind the figure is taken at its word; one
 * that measures something else is refused; without one, the figure is in the field's unit.
 *
 * @param unit - of the field: "bar", "°C", "L", "mg/L CaCO₃"
 * @example readQuantity('14,0 °dH', '°dH') // { is: 'value', value: { value: 14 } }
 * @example readQuantity('130 psi', 'bar') // { is: 'value', value: { value: 8.96…, as: { value: 130, unit: 'psi' } } }
 * @example readQuantity('130 psi', '°C') // { is: 'wrong', why: '"psi" is no unit of this: °C' }
 */
export function readQuantity(text: string, unit: string, how: NumberHow = {}): Typed<TypedQuantity> {
  const { figure, behind } = split(text)
  const own = unit.toLowerCase()
  if (!behind || behind === own) return map(readNumber(figure, how), (read) => ({ value: read }))
  const dimension = dimensionOf(unit)
  const units = dimension ? unitWords[dimension]! : []
  const to = units.find(({ symbol }) => symbol === unit)
  // "lbs" is a weight to one list and a pressure to another: the field says which.
  const from = units.find(({ symbol, words }) => symbol.toLowerCase() === behind || words.includes(behind))
  if (!from || !to) return how.units?.includes(behind) ? plain(text, how) : wrong(noUnit(behind, unit))
  const into = (typed: number) => ((typed - (from.zero ?? 0)) * from.per) / to.per + (to.zero ?? 0)
  if (from === to) return map(readNumber(figure, how), (read) => ({ value: read }))
  // Limits are in the field's unit: they are held against what would be kept.
  const { from: least = -Infinity, to: most = Infinity, ...rest } = how
  const kept = map(readNumber(figure, rest), (typed) => ({
    value: Number(into(typed).toPrecision(8)),
    as: { value: typed, unit: from.symbol },
  }))
  const fits = (one: TypedQuantity) => one.value >= least && one.value <= most
  const meant = kept.is === 'value' ? [kept.value] : kept.is === 'either' ? kept.values : []
  const inside = meant.filter(fits)
  if (meant.length === 0 || inside.length === meant.length) return kept
  if (inside.length === 1) return value(inside[0]!)
  return wrong(meant.every((one) => one.value < least) ? `is below ${least} ${unit}` : `is above ${most} ${unit}`)
}

const plain = (text: string, how: NumberHow) => map(readNumber(text, how), (read) => ({ value: read }))

/** The figure, and the unit's words behind it in small letters. */
function split(text: string): { figure: string; behind: string } {
  const found = /^(.*\d[.,]?)\s*([^\d.,' ].*)$/.exec(plainText(text))
  return found
    ? { figure: found[1]!, behind: found[2]!.toLowerCase().replace(/\.$/, '').trim() }
    : { figure: text, behind: '' }
}

function map<A, B>(typed: Typed<A>, by: (value: A) => B): Typed<B> {
  if (typed.is === 'value') return value(by(typed.value))
  if (typed.is === 'either') return { is: 'either', values: [by(typed.values[0]), by(typed.values[1])] }
  return typed
}

const noUnit = (behind: string, unit: string) =>
  unit
    ? `has "${behind.slice(0, 20)}" behind it, which is no unit of this: ${unit}`
    : `has "${behind.slice(0, 20)}" behind it`
