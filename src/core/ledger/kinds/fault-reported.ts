import { object } from 'yup'
import { slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** In the customer's own words. */
export const faultReported = entryKind({
  body: Versions.first(object({ v, text: words(2000).required(), symptom: slug() }).noUnknown()),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  corrects: () => ({ field: 'text', label: 'Fault', is: 'words' }),
  words: ({ text }) => `Fault reported: ${text}`,
})
