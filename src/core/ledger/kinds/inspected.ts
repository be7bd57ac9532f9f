import { object } from 'yup'
import { condition, position, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { conditionWords, noteWords, partWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** A part was looked at and left in. */
export const inspected = entryKind({
  body: Versions.first(object({ v, ...position, condition: condition.required(), note: words(500) }).noUnknown()),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  corrects: () => ({ field: 'condition', label: 'Condition, 0 to 4', is: 'number' }),
  words: (body, pen) => `Looked at: ${partWords(body, pen)}${conditionWords(body)}${noteWords(body)}`,
})
