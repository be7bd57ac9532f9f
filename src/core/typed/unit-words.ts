import { perBar } from '../firm/preferences.ts'
import { type HardnessUnit, hardnessSymbol, mgLPer } from '../quantity/hardness.ts'

/** A unit as people write it behind a figure, and what one of it is in the first unit of its list. */
interface UnitWords {
  symbol: string
  words: readonly string[]
  /** Many of the first unit in one of this one. */
  per: number
  /** What is taken off before, for temperatures. */
  zero?: number
}

const hardnessWords: Record<HardnessUnit, readonly string[]> = {
  mgL: ['mg/l', 'ppm', 'mg/l caco3', 'mg/l caco₃', 'ppm caco3', 'mg/l as caco3', 'ppm as caco3', 'mgl'],
  dH: ['°dh', 'dh', '° dh', '°d', 'd°', 'grad dh', 'gradd', 'grad', 'dgh', 'odh', 'ºdh'],
  fH: ['°fh', 'fh', '° fh', '°f', '°tf', 'tf', 'th', '°th', 'ºfh'],
  gpg: ['gpg', 'grains', 'grain', 'gr/gal', 'grains/gal', 'grains per gallon'],
  clark: ['°e', '°clark', 'clark', '°eh', 'eh'],
  mmolL: ['mmol/l', 'mmol', 'mol/m3', 'mol/m³'],
  caMgL: ['mg/l ca', 'mg ca/l', 'ppm ca'],
}

/** Kilograms, exact by definition. */
const kgPerPound = 0.45359237
/** Litres, exact by definition (NIST SP 811). */
const litresPerGallon = 3.785411784

/** Words of each unit by what it measures; the first of each is the one that the reckoning keeps. */
export const unitWords: Record<string, readonly UnitWords[]> = {
  hardness: (Object.keys(hardnessWords) as HardnessUnit[]).map((unit) => ({
    symbol: hardnessSymbol[unit],
    words: hardnessWords[unit],
    per: mgLPer[unit],
  })),
  pressure: [
    { symbol: 'bar', words: ['bar', 'bars', 'bar(g)', 'barg'], per: 1 },
    { symbol: 'psi', words: ['psi', 'psig', 'lb/in2', 'lbs'], per: 1 / perBar.psi },
    { symbol: 'kPa', words: ['kpa'], per: 1 / perBar.kPa },
    { symbol: 'MPa', words: ['mpa'], per: 1000 / perBar.kPa },
    { symbol: 'mbar', words: ['mbar'], per: 0.001 },
  ],
  temperature: [
    { symbol: '°C', words: ['°c', 'c', '° c', 'ºc', 'grad c', 'celsius', 'deg c', 'grad'], per: 1 },
    { symbol: '°F', words: ['°f', 'f', '° f', 'ºf', 'fahrenheit', 'deg f'], per: 1 / 1.8, zero: 32 },
  ],
  volume: [
    { symbol: 'L', words: ['l', 'ltr', 'ltr.', 'liter', 'litre', 'litres', 'liters', 'lt', 'litri', 'litros'], per: 1 },
    { symbol: 'ml', words: ['ml', 'millilitres', 'milliliter'], per: 0.001 },
    { symbol: 'gal', words: ['gal', 'gallon', 'gallons', 'us gal'], per: litresPerGallon },
    { symbol: 'm³', words: ['m3', 'm³', 'cbm'], per: 1000 },
  ],
  mass: [
    { symbol: 'kg', words: ['kg', 'kgs', 'kilo', 'kilos'], per: 1 },
    { symbol: 'g', words: ['g', 'gr', 'gramm', 'grams'], per: 0.001 },
    { symbol: 'lb', words: ['lb', 'lbs', 'pounds'], per: kgPerPound },
  ],
  concentration: [
    { symbol: 'mg/L', words: ['mg/l', 'ppm', 'mg'], per: 1 },
    { symbol: 'g/L', words: ['g/l'], per: 1000 },
  ],
  conductivity: [
    { symbol: 'µS/cm', words: ['µs/cm', 'μs/cm', 'us/cm', 'µs', 'μs', 'us'], per: 1 },
    { symbol: 'mS/cm', words: ['ms/cm'], per: 1000 },
    { symbol: 'mS/m', words: ['ms/m'], per: 10 },
  ],
  minutes: [
    { symbol: 'min', words: ['min', 'mins', 'min.', 'minutes', 'minuten', 'm'], per: 1 },
    { symbol: 'h', words: ['h', 'hr', 'hrs', 'hour', 'hours', 'std', 'std.', 'stunden', 'stunde'], per: 60 },
  ],
}

export type Dimension = keyof typeof unitWords

/** What a unit of the reckoning measures; null for one that nobody writes otherwise (shots, days, pH). */
export function dimensionOf(unit: string): Dimension | null {
  const found = Object.entries(unitWords).find(([, units]) => units.some(({ symbol }) => symbol === unit))
  return found ? (found[0] as Dimension) : null
}
