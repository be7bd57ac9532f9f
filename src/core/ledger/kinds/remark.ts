import { boolean, object } from 'yup'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { forUsWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** Something left to do or to watch; open until closed. */
export const remark = entryKind({
  body: Versions.first(object({ v, text: words(2000).required(), internal: boolean() }).noUnknown()),
  about: ['machine', 'softener', 'site'],
  affects: 'nobody',
  madeBy: 'people',
  words: ({ text, internal }) => `Left open${forUsWords({ internal })}: ${text}`,
})
