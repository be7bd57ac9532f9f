import { object } from 'yup'
import { v, words } from '../body-fields.ts'
import { anywhere, entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** Another entry is taken back: it no longer counts, and stays to be seen. */
export const withdrawn = entryKind({
  body: Versions.first(object({ v, reason: words(500) }).noUnknown()),
  about: anywhere,
  affects: 'along',
  madeBy: 'people',
  words: ({ reason }) => `Withdrawn${reason ? `: ${reason}` : ''}`,
})
