import { shownUnit } from '../core/firm/shown-unit.ts'
import { figure } from './format.ts'
import { preferences } from './preferences.ts'

/** A figure of the reckoning as this firm reads it. @example quantity(9, 'bar') // { value: '130.5', unit: 'psi' } */
export function quantity(value: number, unit: string): { value: string; unit: string } {
  const shown = shownUnit(unit, preferences())
  if (shown) return { value: figure(shown.show(value)), unit: shown.unit }
  return { value: figure(value), unit: value === 1 ? (one[unit] ?? unit) : unit }
}

/** Units that are counted, when there is one of them. */
const one: Record<string, string> = {
  months: 'month',
  days: 'day',
  'open days': 'open day',
  cycles: 'cycle',
  shots: 'shot',
  drinks: 'drink',
  capsules: 'capsule',
}

/** The same in one piece. @example quantityWords(9, 'bar') // '9 bar' */
export function quantityWords(value: number, unit: string): string {
  const shown = quantity(value, unit)
  return shown.unit ? `${shown.value} ${shown.unit}` : shown.value
}

/** A spread or a drift, as this firm reads it. */
export function differenceFigure(value: number, unit: string): string {
  const shown = shownUnit(unit, preferences())
  return figure(shown ? shown.showDifference(value) : value)
}

/** The unit this firm writes for one of the reckoning's. @example firmUnit('°C') // '°F' */
export const firmUnit = (unit: string): string => shownUnit(unit, preferences())?.unit ?? unit

/** What was typed in the firm's unit, in the reckoning's: kept to what a person can have meant. */
export function asReckoned(typed: number, unit: string): number {
  const shown = shownUnit(unit, preferences())
  return shown ? Number(shown.read(typed).toPrecision(8)) : typed
}

/** A figure of the reckoning, ready to be typed over. */
export function asTyped(value: number, unit: string): string {
  const shown = shownUnit(unit, preferences())
  return String(shown ? Number(shown.show(value).toPrecision(6)) : value)
}
