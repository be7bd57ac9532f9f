import { object } from 'yup'
import { replacementAge } from '../lifetimes/replacement-age.ts'
import { meanLife } from '../lifetimes/weibull.ts'
import { amount, divisor } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { topic } from './topic.ts'

export const replace = topic({
  name: 'replace',
  about: 'At which age to change a part so that it costs the least, from its Weibull curve and two costs.',
  schema: object({
    shape: divisor().max(200).required(),
    scale: divisor().required(),
    plannedCost: amount().required(),
    breakdownCost: amount().required(),
  }).noUnknown(),
  example: { shape: 2, scale: 1, plannedCost: 1, breakdownCost: 5 },
  reckon({ plannedCost, breakdownCost, ...life }) {
    const { lines, add } = startWorking()
    const shape = add({ what: 'Shape', value: life.shape, origin: 'setting' })
    const scale = add({ what: 'Scale', value: life.scale, origin: 'setting' })
    const planned = add({ what: 'Planned change costs', value: plannedCost, origin: 'setting' })
    const breakdown = add({ what: 'Breakdown costs', value: breakdownCost, origin: 'setting' })
    const { age, costRate } = replacementAge(life, { planned: plannedCost, breakdown: breakdownCost })
    add({
      what: 'Mean life',
      value: meanLife(life),
      formula: `{${scale}} × Γ(1 + 1 ÷ {${shape}})`,
      origin: 'reckoned',
    })
    add({
      what: 'Change at',
      value: age ?? 'let it fail',
      formula: `least of ({${planned}}·R + {${breakdown}}·(1 − R)) ÷ ∫R`,
      origin: 'reckoned',
      reference: 'Barlow & Hunter 1960, Operations Research 8, 90',
    })
    add({ what: 'Costs per time', value: costRate, origin: 'reckoned' })
    return {
      result: { ...(age !== undefined && { age }), costRate },
      working: lines,
      ...(life.shape <= 1 && { warnings: ['a shape of 1 or less does not age: changing it early gains nothing'] }),
    }
  },
})
