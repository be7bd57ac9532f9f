import { boolean, object } from 'yup'
import { uuid } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind, machineOnly } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** From this day on at another site, with its history. Use is learned anew there. */
export const moved = entryKind({
  body: Versions.first(
    object({
      v,
      fromSiteId: uuid(),
      toSiteId: uuid().required(),
      fromSoftenerId: uuid(),
      toSoftenerId: uuid(),
      /** It stands where it stood: the place had been entered twice. */
      samePlace: boolean(),
      /** Stands in for a machine in the workshop. */
      loan: boolean(),
      standsInFor: uuid(),
      note: words(500),
    }).noUnknown(),
  ),
  about: machineOnly,
  affects: 'along',
  madeBy: 'people',
  words: (body) => {
    if (body.samePlace) return `Stays where it is: the place had been entered twice${noteWords(body)}`
    const softener = body.toSoftenerId ? 'Put behind a softener' : 'Taken off the softener'
    const site = body.loan ? 'Moved here on loan' : 'Moved to another site'
    return `${body.fromSiteId === body.toSiteId ? softener : site}${noteWords(body)}`
  },
})
