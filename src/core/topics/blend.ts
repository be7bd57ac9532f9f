import { object } from 'yup'
import { amount } from '../parse/fields.ts'
import { startWorking } from '../quantity/working.ts'
import { rawShare } from '../softener/blend.ts'
import { InputFault, topic } from './topic.ts'

export const blend = topic({
  name: 'blend',
  about: 'How much raw water to lead past a membrane to reach a target.',
  schema: object({
    rawMgL: amount().required(),
    permeateMgL: amount().required(),
    targetMgL: amount().required(),
  }).noUnknown(),
  example: { rawMgL: 339, permeateMgL: 10, targetMgL: 90 },
  reckon({ rawMgL, permeateMgL, targetMgL }) {
    if (rawMgL === permeateMgL && rawMgL === targetMgL) {
      throw new InputFault('rawMgL', rawMgL, 'must differ from permeateMgL: any share makes the same water')
    }
    const share = rawShare(rawMgL, permeateMgL, targetMgL)
    if (share === null) {
      throw new InputFault('targetMgL', targetMgL, `is out of reach between ${permeateMgL} and ${rawMgL}`)
    }
    const { lines, add } = startWorking()
    add({ what: 'Raw water', value: rawMgL, unit: 'mg/L', origin: 'measured' })
    add({ what: 'Permeate', value: permeateMgL, unit: 'mg/L', origin: 'measured' })
    add({ what: 'Target', value: targetMgL, unit: 'mg/L', origin: 'setting' })
    add({ what: 'Raw share', value: share, formula: '({3} − {2}) ÷ ({1} − {2})', origin: 'reckoned' })
    const warnings = rawMgL < permeateMgL ? ['rawMgL: is below permeateMgL; are the two swapped?'] : undefined
    return { result: { rawShare: share }, working: lines, ...(warnings && { warnings }) }
  },
})
