import { object } from 'yup'
import { divisor } from '../../parse/fields.ts'
import { v } from '../body-fields.ts'
import { entryKind, softenerOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** A new cartridge went in. */
export const cartridgeChanged = entryKind({
  body: Versions.first(object({ v, capacityG: divisor() }).noUnknown()),
  about: softenerOnly,
  affects: 'along',
  madeBy: 'people',
  words: () => 'Cartridge changed',
})
