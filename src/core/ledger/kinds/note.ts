import { boolean, object } from 'yup'
import { v, words } from '../body-fields.ts'
import { anywhere, entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** Anything worth keeping that moves no date. */
export const note = entryKind({
  body: Versions.first(object({ v, text: words(4000).required(), internal: boolean() }).noUnknown()),
  about: anywhere,
  affects: 'nobody',
  madeBy: 'people',
  corrects: () => ({ field: 'text', label: 'Note', is: 'words' }),
  words: ({ text, internal }) => (internal ? `For us alone: ${text}` : text),
})
