import { object } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** What was left open is done. */
export const remarkClosed = entryKind({
  body: Versions.first(object({ v, remark: uuid().required(), note: words(500) }).noUnknown()),
  about: ['machine', 'softener', 'site'],
  affects: 'nobody',
  madeBy: 'people',
  words: (body) => `Closed what was left open${noteWords(body)}`,
})
