import { object, string } from 'yup'
import { amount, divisor, finite, uuid } from '../parse/fields.ts'
import { hardnessUnits, mgLPer } from '../quantity/hardness.ts'
import { v } from './body-fields.ts'
import { waterFigureNames } from './water-figure-names.ts'

/** Above this no tap water is known; a decimal point was probably lost. mg/L CaCO3. */
const mostHardnessMgL = 2000

/** Hardness as it was found: drops counted, a strip’s zone, or a figure. */
export const waterTest = object({
  v,
  point: string().oneOf(['raw', 'softened']).required(),
  quantity: string().oneOf(['total', 'carbonate']).required(),
  method: string().oneOf(['drops', 'strip', 'figure']).required(),
  unit: string().oneOf(hardnessUnits).required(),
  drops: amount().integer().max(400),
  perDrop: divisor(),
  sampleFactor: divisor(),
  low: amount(),
  high: amount(),
  value: amount(),
  instrument: uuid(),
})
  .noUnknown()
  .test('method', (test, context) => {
    const need = (field: 'drops' | 'perDrop' | 'low' | 'high' | 'value') =>
      test[field] === undefined && context.createError({ path: field, message: `is needed for ${test.method}` })
    const missing =
      test.method === 'drops'
        ? need('drops') || need('perDrop')
        : test.method === 'strip'
          ? need('low') || need('high')
          : need('value')
    if (missing) return missing
    if (test.method === 'strip' && test.low! > test.high!) {
      return context.createError({ path: 'high', message: 'must not be below the low end of the zone' })
    }
    const field = test.method === 'drops' ? 'drops' : test.method === 'strip' ? 'high' : 'value'
    const found = test.method === 'drops' ? (test.drops! * test.perDrop!) / (test.sampleFactor ?? 1) : test[field]!
    const mgL = found * mgLPer[test.unit]
    if (mgL <= mostHardnessMgL) return true
    const most = Math.floor(mostHardnessMgL / mgLPer[test.unit])
    return context.createError({
      path: field,
      message: `is harder than any tap water (${most} in this unit at most): is a decimal point missing?`,
    })
  })

/** What a sample holds besides its hardness: by pen or paper on site, or as the works print it. */
export const waterFigures = object({
  v,
  /** As it comes, after all treatment, or behind a membrane before anything is mixed in. */
  point: string().oneOf(['raw', 'softened', 'permeate']).required(),
  by: string().oneOf(['pen', 'works']).required(),
  pH: finite().min(0).max(14),
  testTempC: finite().min(0).max(100),
  /** At 25 °C. */
  conductivityUsCm: amount().max(20_000),
  /** As CaCO₃. */
  calciumMgL: amount().max(mostHardnessMgL),
  chlorideMgL: amount().max(20_000),
  freeChlorineMgL: amount().max(20),
  totalChlorineMgL: amount().max(20),
  silicaMgL: amount().max(500),
  ironMgL: amount().max(100),
  instrument: uuid(),
})
  .noUnknown()
  .test('something', 'needs at least one figure', (test) => waterFigureNames.some((name) => test[name] !== undefined))
