import { object } from 'yup'
import { amount, divisor, shareBelowOne } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { exchangerLitres } from '../softener/exchanger.ts'
import { InputFault, topic } from './topic.ts'

export const softener = topic({
  name: 'softener',
  about: 'Litres and days between regenerations of a salt-regenerated softener.',
  schema: object({
    resinL: divisor().required(),
    capacityGPerL: divisor().required(),
    reserve: shareBelowOne().required(),
    inMgL: amount().required(),
    outMgL: amount().required(),
    litresPerDay: divisor().required(),
  }).noUnknown(),
  example: { resinL: 12, capacityGPerL: 35, reserve: 0.15, inMgL: 339, outMgL: 18, litresPerDay: 46 },
  reckon({ resinL, capacityGPerL, reserve, inMgL, outMgL, litresPerDay }) {
    if (outMgL >= inMgL) throw new InputFault('outMgL', outMgL, `must be below inMgL (${inMgL})`)
    const { lines, add } = startWorking()
    add({ what: 'Resin', value: resinL, unit: 'L', origin: 'setting' })
    add({ what: 'Working capacity', value: capacityGPerL, unit: 'g CaCO₃ per L', origin: 'setting' })
    add({ what: 'Reserve', value: reserve, origin: 'setting' })
    add({ what: 'Hardness in', value: inMgL, unit: 'mg/L', origin: 'measured' })
    add({ what: 'Hardness out', value: outMgL, unit: 'mg/L', origin: 'measured' })
    const litres = exchangerLitres(resinL, capacityGPerL, reserve, inMgL, outMgL)
    add({
      what: 'Between regenerations',
      value: litres,
      unit: 'L',
      formula: '{1} × {2} × 1,000 × (1 − {3}) ÷ ({4} − {5})',
      origin: 'reckoned',
    })
    add({ what: 'Draw', value: litresPerDay, unit: 'L/day', origin: 'measured' })
    const days = litres / litresPerDay
    add({ what: 'Lasts', value: days, unit: 'days', formula: '{6} ÷ {7}', origin: 'reckoned' })
    return { result: { litres, days }, working: lines }
  },
})
