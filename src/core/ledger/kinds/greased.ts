import { object } from 'yup'
import { group, slug, v } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { taskWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Something was greased. */
export const greased = entryKind({
  body: Versions.first(object({ v, task: slug().required(), group }).noUnknown()),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  words: (body, pen) => `Greased: ${taskWords(body, pen)}`,
})
