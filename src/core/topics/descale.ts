import { object, string } from 'yup'
import { amount } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { type Acid, acidG, acidGPerG, acidNames, acids, carbonDioxideG, carbonDioxideL } from '../scale/acid.ts'
import { topic } from './topic.ts'

export const descale = topic({
  name: 'descale',
  about: 'Acid that so much scale uses up at the least, and the gas it gives off.',
  schema: object({ scaleG: amount().required(), acid: string().oneOf(acidNames).required() }).noUnknown(),
  example: { scaleG: 25, acid: 'citric' },
  reckon({ scaleG, acid: name }) {
    const acid = name as Acid
    const { lines, add } = startWorking()
    const reference = 'stoichiometry, IUPAC atomic weights'
    const reckoned = { origin: 'reckoned', mark: 'P', reference } as const
    add({ what: 'Scale', value: scaleG, unit: 'g', origin: 'measured' })
    add({
      what: `${acids[acid].name} per gram of scale`,
      value: acidGPerG(acid),
      unit: 'g/g',
      formula: `2 ÷ ${acids[acid].protons} × ${acids[acid].gPerMol} ÷ 100.0869`,
      ...reckoned,
    })
    add({ what: 'Acid at the least', value: acidG(scaleG, acid), unit: 'g', formula: '{1} × {2}', ...reckoned })
    const co2G = carbonDioxideG(scaleG)
    add({ what: 'Carbon dioxide', value: co2G, unit: 'g', formula: '{1} × 44.0095 ÷ 100.0869', ...reckoned })
    const co2L = carbonDioxideL(scaleG)
    add({ what: 'The same at 20 °C', value: co2L, unit: 'L', formula: '{1} ÷ 100.0869 × 24.055', ...reckoned })
    return { result: { acidG: acidG(scaleG, acid), co2G, co2L }, working: lines }
  },
})
