import { object } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** What a machine was held for is over. */
export const released = entryKind({
  body: Versions.first(object({ v, held: uuid().required(), note: words(500) }).noUnknown()),
  about: machineOnly,
  affects: 'itself',
  madeBy: 'people',
  words: (body) => `For use again${noteWords(body)}`,
})
