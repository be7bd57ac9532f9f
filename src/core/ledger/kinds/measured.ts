import { object, string } from 'yup'
import { finite, uuid } from '../../parse/fields.ts'
import { group, slug, v } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { whichWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** One reading of an instrument, as it was found or as it was left. */
export const measured = entryKind({
  body: Versions.first(
    object({
      v,
      measure: slug().required(),
      group,
      state: string().oneOf(['found', 'left']).required(),
      value: finite().required(),
      instrument: uuid(),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people and devices',
  corrects: () => ({ field: 'value', label: 'Value', is: 'number' }),
  words: (body, pen) => {
    const measure = pen.machine?.measures.find(({ id }) => id === body.measure)
    return `${whichWords(measure?.name ?? body.measure, body, pen)} as ${body.state}: ${pen.quantity(body.value, measure?.unit ?? '')}`
  },
})
