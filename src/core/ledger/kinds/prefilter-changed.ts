import { object } from 'yup'
import { v, words } from '../body-fields.ts'
import { entryKind, softenerOnly } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Carbon or sediment, before a treatment or alone. */
export const prefilterChanged = entryKind({
  body: Versions.first(object({ v, note: words(500) }).noUnknown()),
  about: softenerOnly,
  affects: 'along',
  madeBy: 'people',
  words: (body) => `Carbon filter changed${noteWords(body)}`,
})
