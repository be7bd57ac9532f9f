import { object, string } from 'yup'
import { amount } from '../parse/fields.ts'
import { hardnessFromMgL, hardnessSymbol, hardnessToMgL, hardnessUnits, mgLPer } from '../quantity/hardness.ts'
import { startWorking } from '../quantity/working.ts'
import { topic } from './topic.ts'

export const hardness = topic({
  name: 'hardness',
  about: 'One hardness in every unit.',
  schema: object({ value: amount().required(), unit: string().oneOf(hardnessUnits).required() }).noUnknown(),
  example: { value: 19, unit: 'dH' },
  reckon({ value, unit }) {
    const { lines, add } = startWorking()
    add({ what: 'Hardness', value, unit: hardnessSymbol[unit], origin: 'measured' })
    const mgL = hardnessToMgL(value, unit)
    add({
      what: 'As calcium carbonate',
      value: mgL,
      unit: hardnessSymbol.mgL,
      formula: `{1} × ${mgLPer[unit]}`,
      origin: 'reckoned',
      mark: 'P',
      reference: 'IUPAC atomic weights; definitions of the units, DIN 38409-6',
    })
    const result = Object.fromEntries(hardnessUnits.map((to) => [to, to === unit ? value : hardnessFromMgL(mgL, to)]))
    for (const to of hardnessUnits) {
      if (to === unit || to === 'mgL') continue
      add({
        what: `In ${hardnessSymbol[to]}`,
        value: result[to]!,
        unit: hardnessSymbol[to],
        formula: `{2} ÷ ${mgLPer[to]}`,
        origin: 'reckoned',
      })
    }
    return { result, working: lines }
  },
})
