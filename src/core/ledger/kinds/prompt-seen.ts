import { object } from 'yup'
import { slug, v } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { taskWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** The machine itself asked for a task. */
export const promptSeen = entryKind({
  body: Versions.first(object({ v, task: slug().required(), prompt: slug() }).noUnknown()),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people and devices',
  words: (body, pen) => `The machine asked: ${taskWords(body, pen)}`,
})
