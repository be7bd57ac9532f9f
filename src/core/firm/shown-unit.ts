import { hardnessFromMgL, hardnessSymbol, hardnessToMgL } from '../quantity/hardness.ts'
import { litresPer, type Preferences, perBar } from './preferences.ts'

/** A unit as the reckoning writes it, shown the way a firm reads it. */
export interface ShownUnit {
  unit: string
  /** From the reckoning's unit to the firm's. */
  show(value: number): number
  /** And back, for what is typed. */
  read(value: number): number
  /** A difference of values: a spread, a drift. Temperatures have another zero. */
  showDifference(value: number): number
}

const volumeSymbol = { L: 'L', galUS: 'gal', galUK: 'gal (UK)' } as const

/**
 * How a unit of the reckoning is shown; null for a unit every firm reads alike (shots, days, ml …).
 *
 * @param unit - as lines and measures carry it: `L`, `L/open day`, `bar`, `°C`, `mg/L CaCO₃`, `°dH`
 * @example shownUnit('bar', { ...usualPreferences, pressureUnit: 'psi' })!.show(9) // ≈ 130.5
 */
export function shownUnit(unit: string, preferences: Preferences): ShownUnit | null {
  const { hardnessUnit, volumeUnit, temperatureUnit, pressureUnit } = preferences
  const [first, ...rest] = unit.split('/')
  const behind = rest.length > 0 ? `/${rest.join('/')}` : ''
  if (first === 'L' && (behind === '' || behind === '/open day'))
    return volumeUnit === 'L' ? null : scaledBy(`${volumeSymbol[volumeUnit]}${behind}`, 1 / litresPer[volumeUnit])
  if (unit === 'bar') return pressureUnit === 'bar' ? null : scaledBy(pressureUnit, perBar[pressureUnit])
  if (unit === '°C' && temperatureUnit === 'F')
    return {
      unit: '°F',
      show: (celsius) => celsius * 1.8 + 32,
      read: (fahrenheit) => (fahrenheit - 32) / 1.8,
      showDifference: (kelvin) => kelvin * 1.8,
    }
  const from = unit === hardnessSymbol.mgL ? 'mgL' : unit === hardnessSymbol.dH ? 'dH' : null
  if (from === null || from === hardnessUnit) return null
  return scaledBy(hardnessSymbol[hardnessUnit], hardnessFromMgL(hardnessToMgL(1, from), hardnessUnit))
}

const scaledBy = (unit: string, factor: number): ShownUnit => ({
  unit,
  show: (value) => value * factor,
  read: (value) => value / factor,
  showDifference: (value) => value * factor,
})
