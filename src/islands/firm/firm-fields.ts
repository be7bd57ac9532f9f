import {
  type DateStyle,
  dateStyles,
  type Preferences,
  type PressureUnit,
  pressureUnits,
  usualPreferences,
  type VolumeUnit,
  volumeUnits,
} from '../../core/firm/preferences.ts'
import type { Kept } from '../../core/firm/records.ts'
import { hardnessSymbol, hardnessUnits } from '../../core/quantity/hardness.ts'
import { type FieldSpec, typedText, type Values } from '../records/form-values.ts'
import { texts } from '../records/record-fields.ts'

const volumeWords: Record<VolumeUnit, string> = { L: 'litres', galUS: 'US gallons', galUK: 'UK gallons' }
const pressureWords: Record<PressureUnit, string> = { bar: 'bar', psi: 'psi', kPa: 'kPa' }
const dateWords: Record<DateStyle, string> = {
  words: '26 Nov 2026',
  iso: '2026-11-26',
  dots: '26.11.2026',
  dayFirst: '26/11/2026',
  monthFirst: '11/26/2026',
}
const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']

/** What a firm is called and how it reads its figures. */
export const firmFields: FieldSpec[] = [
  { id: 'name', label: 'Firm' },
  { id: 'timeZone', label: 'Time zone', hint: 'of the office', kind: 'zone', half: true },
  {
    id: 'hardnessUnit',
    label: 'Hardness in',
    kind: 'choice',
    half: true,
    options: hardnessUnits.map((unit) => [unit, hardnessSymbol[unit]]),
  },
  {
    id: 'volumeUnit',
    label: 'Volume in',
    kind: 'choice',
    half: true,
    options: volumeUnits.map((unit) => [unit, volumeWords[unit]]),
  },
  {
    id: 'temperatureUnit',
    label: 'Temperature in',
    kind: 'choice',
    half: true,
    options: [
      ['C', '°C'],
      ['F', '°F'],
    ],
  },
  {
    id: 'pressureUnit',
    label: 'Pressure in',
    kind: 'choice',
    half: true,
    options: pressureUnits.map((unit) => [unit, pressureWords[unit]]),
  },
  { id: 'currency', label: 'Currency', hint: 'three letters, such as EUR', half: true },
  {
    id: 'dateForm',
    label: 'Dates as',
    kind: 'choice',
    half: true,
    options: dateStyles.map((style) => [style, dateWords[style]]),
  },
  {
    id: 'weekStart',
    label: 'The week begins on',
    kind: 'choice',
    half: true,
    options: days.map((day, i) => [String(i + 1), day]),
  },
]

/** How long is kept what is about people. Set on the firm's own page; a new firm begins with what is usual. */
export const keepingFields: FieldSpec[] = [
  { id: 'signInLogDays', label: 'Keep who signed in, days', hint: '30 to 3650', half: true },
  { id: 'photosYears', label: 'Keep photos, years', hint: 'empty: for good', half: true },
  { id: 'callersMonths', label: 'Keep who rang, months', hint: 'empty: for good; what they said stays', half: true },
]

export const usualFirm = (timeZone: string): Values => ({
  ...(usualPreferences as Omit<Preferences, 'weekStart'>),
  weekStart: String(usualPreferences.weekStart),
  timeZone,
})

const usualLogDays = 365

export const firmRecord = (values: Values): Kept<'firm'> =>
  ({
    ...texts(values, [
      'name',
      'timeZone',
      'hardnessUnit',
      'volumeUnit',
      'temperatureUnit',
      'pressureUnit',
      'currency',
      'dateForm',
    ]),
    weekStart: Number(typedText(values, 'weekStart')),
    signInLogDays: Number(typedText(values, 'signInLogDays') || usualLogDays),
    ...(typedText(values, 'photosYears') && { photosYears: Number(typedText(values, 'photosYears')) }),
    ...(typedText(values, 'callersMonths') && { callersMonths: Number(typedText(values, 'callersMonths')) }),
  }) as Kept<'firm'>
