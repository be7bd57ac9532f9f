import { object, string } from 'yup'
import { amount, divisor } from '../parse/fields.ts'
import { dropCount } from '../quantity/drop-kit.ts'
import { hardnessSymbol, hardnessUnits, mgLPer } from '../quantity/hardness.ts'
import { scaled } from '../quantity/interval.ts'
import { startWorking } from '../quantity/working.ts'
import { topic } from './topic.ts'

export const dropkit = topic({
  name: 'dropkit',
  about: 'What a count of drops says, and between which bounds the truth lies.',
  schema: object({
    drops: amount().integer().required(),
    perDrop: divisor().required(),
    unit: string().oneOf(hardnessUnits).required(),
    sampleFactor: divisor().default(1),
  }).noUnknown(),
  example: { drops: 19, perDrop: 1, unit: 'dH' },
  reckon({ drops, perDrop, unit, sampleFactor }) {
    const found = dropCount(drops, perDrop, sampleFactor)
    const symbol = hardnessSymbol[unit]
    const { lines, add } = startWorking()
    add({ what: 'Drops until the colour turned', value: drops, unit: 'drops', origin: 'measured' })
    add({ what: 'One drop is worth', value: perDrop, unit: symbol, origin: 'setting' })
    add({ what: 'Sample, times the usual', value: sampleFactor, origin: 'setting' })
    add({
      what: 'Hardness, at most',
      value: found.high,
      unit: symbol,
      formula: '{1} × {2} ÷ {3}',
      origin: 'reckoned',
    })
    add({
      what: 'Hardness, more than',
      value: found.low,
      unit: symbol,
      formula: '({1} − 1) × {2} ÷ {3}',
      origin: 'reckoned',
    })
    add({
      what: 'As calcium carbonate',
      value: found.value * mgLPer[unit],
      unit: hardnessSymbol.mgL,
      formula: `{4} × ${mgLPer[unit]}`,
      origin: 'reckoned',
      mark: 'P',
    })
    const warnings = drops === 0 ? ['drops: 0 means the colour was there before the first drop'] : undefined
    return {
      result: { ...found, mgL: scaled(found, mgLPer[unit]) },
      working: lines,
      ...(warnings && { warnings }),
    }
  },
})
