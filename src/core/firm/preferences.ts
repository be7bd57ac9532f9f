import type { HardnessUnit } from '../quantity/hardness.ts'

/** How a firm reads and writes its figures. The ledger and the reckoning know none of it. */
export interface Preferences {
  hardnessUnit: HardnessUnit
  volumeUnit: VolumeUnit
  temperatureUnit: TemperatureUnit
  pressureUnit: PressureUnit
  /** ISO 4217. */
  currency: string
  dateForm: DateStyle
  /** Monday 1 … Sunday 7. */
  weekStart: number
}

export const volumeUnits = ['L', 'galUS', 'galUK'] as const
export type VolumeUnit = (typeof volumeUnits)[number]

export const temperatureUnits = ['C', 'F'] as const
export type TemperatureUnit = (typeof temperatureUnits)[number]

export const pressureUnits = ['bar', 'psi', 'kPa'] as const
export type PressureUnit = (typeof pressureUnits)[number]

/** 26 Nov 2026, 2026-11-26, 26.11.2026, 26/11/2026, 11/26/2026. */
export const dateStyles = ['words', 'iso', 'dots', 'dayFirst', 'monthFirst'] as const
export type DateStyle = (typeof dateStyles)[number]

export const usualPreferences: Preferences = {
  hardnessUnit: 'dH',
  volumeUnit: 'L',
  temperatureUnit: 'C',
  pressureUnit: 'bar',
  currency: 'EUR',
  dateForm: 'words',
  weekStart: 1,
}

/** Litres in a gallon: exact by definition (NIST SP 811, appendix B.8; UK Weights and Measures Act 1985). */
export const litresPer: Record<VolumeUnit, number> = { L: 1, galUS: 3.785411784, galUK: 4.54609 }

/** One bar: exact in kPa; psi by NIST SP 811, appendix B.8 (1 psi = 6.894757 kPa). */
export const perBar: Record<PressureUnit, number> = { bar: 1, psi: 100 / 6.894757, kPa: 100 }
