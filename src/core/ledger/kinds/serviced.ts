import { object } from 'yup'
import { slug, v } from '../body-fields.ts'
import { entryKind, machineOrSoftener } from '../entry-definition.ts'
import { taskWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** A machine, or its softener, was given a service as a whole. */
export const serviced = entryKind({
  body: Versions.first(object({ v, task: slug().required() }).noUnknown()),
  about: machineOrSoftener,
  affects: 'itself',
  madeBy: 'people',
  words: (body, pen) => `Given: ${taskWords(body, pen)}`,
})
