import { object } from 'yup'
import { group, slug, v } from '../body-fields.ts'
import { entryKind, machineOrSoftener } from '../entry-definition.ts'
import { taskWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Something was checked. */
export const checked = entryKind({
  body: Versions.first(object({ v, task: slug().required(), group }).noUnknown()),
  about: machineOrSoftener,
  affects: 'itself',
  madeBy: 'people',
  words: (body, pen) => `Checked: ${taskWords(body, pen)}`,
})
