import { number, object } from 'yup'
import { divisor, finite } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { langelier as indexOf } from '../water/langelier.ts'
import { topic } from './topic.ts'

export const langelier = topic({
  name: 'langelier',
  about: "Langelier's simplified index: a cross-check of saturation from four figures.",
  schema: object({
    pH: number().min(0).max(14).required(),
    tdsMgL: divisor().required(),
    tempC: finite().min(0).max(100).required(),
    calciumMgL: divisor().required(),
    alkalinityMgL: divisor().required(),
  }).noUnknown(),
  example: { pH: 7.5, tdsMgL: 320, tempC: 25, calciumMgL: 150, alkalinityMgL: 34 },
  reckon(water) {
    const { a, b, c, d, pHs, lsi } = indexOf(water)
    const { lines, add } = startWorking()
    const reference = 'Langelier 1936, common simplified form'
    const part = (what: string, value: number, formula: string) =>
      add({ what, value, formula, origin: 'reckoned', mark: 'P', reference })
    part('A, for dissolved solids', a, `(log ${water.tdsMgL} − 1) ÷ 10`)
    part('B, for temperature', b, `34.55 − 13.12 log(${water.tempC} + 273)`)
    part('C, for calcium', c, `log ${water.calciumMgL} − 0.4`)
    part('D, for alkalinity', d, `log ${water.alkalinityMgL}`)
    part('pH at which it just holds its chalk', pHs, '9.3 + {1} + {2} − {3} − {4}')
    part('Langelier index', lsi, `${water.pH} − {5}`)
    return { result: { lsi, pHs }, working: lines }
  },
})
