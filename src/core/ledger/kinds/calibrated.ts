import { object } from 'yup'
import { localDay } from '../../parse/fields.ts'
import { v, words } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { noteWords } from '../phrases.ts'
import { Versions } from '../versions.ts'

/** An instrument was calibrated, or a reagent opened: good until that day. */
export const calibrated = entryKind({
  body: Versions.first(object({ v, dueOn: localDay().required(), note: words(500) }).noUnknown()),
  about: ['instrument'],
  affects: 'nobody',
  madeBy: 'people',
  words: (body, { day }) => `Calibrated, good until ${day(body.dueOn)}${noteWords(body)}`,
})
