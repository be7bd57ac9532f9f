import { object, string } from 'yup'
import { amount, divisor, uuid } from '../../parse/fields.ts'
import { hardnessSymbol, hardnessUnits, mgLPer } from '../../quantity/hardness.ts'
import { mostHardnessMgL, v } from '../body-fields.ts'
import { entryKind, water } from '../entry-definition.ts'
import { Versions } from '../versions.ts'
import { pointWords } from '../water-figure-names.ts'

/** Hardness as it was found: drops counted, a strip’s zone, or a figure. */
export const waterTest = entryKind({
  body: Versions.first(
    object({
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
      }),
  ),
  about: water,
  affects: 'along',
  madeBy: 'people',
  corrects: ({ method }) => (method === 'drops' ? { field: 'drops', label: 'Drops', is: 'number' } : null),
  words: ({ point, quantity, method, unit, drops, perDrop, low, high, value }) => {
    const symbol = hardnessSymbol[unit]
    const found =
      method === 'drops'
        ? `${drops} ${drops === 1 ? 'drop' : 'drops'} of ${perDrop} ${symbol}`
        : method === 'strip'
          ? `strip, ${low}–${high} ${symbol}`
          : `${value} ${symbol}`
    return `Water ${pointWords[point]}, ${quantity === 'total' ? 'total' : 'carbonate'} hardness: ${found}`
  },
})
