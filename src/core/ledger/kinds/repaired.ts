import { boolean, object } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { group, slug, v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** `fault` is the cause by its name in what is known of the kind; `cured` false where it was still not right. */
export const repaired = entryKind({
  body: Versions.first(
    object({
      v,
      text: words(2000).required(),
      cause: words(2000),
      fault: slug(),
      report: uuid(),
      cured: boolean(),
      part: slug(),
      group,
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'nobody',
  madeBy: 'people',
  corrects: () => ({ field: 'text', label: 'Repair', is: 'words' }),
  words: ({ text, cause, cured }) =>
    `Repaired: ${text}${cause ? `. Cause: ${cause}` : ''}${cured === false ? '. Not cured' : ''}`,
})
