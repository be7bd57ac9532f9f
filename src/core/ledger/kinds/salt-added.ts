import { object } from 'yup'
import { divisor } from '../../parse/fields.ts'
import { v } from '../body-fields.ts'
import { entryKind, softenerOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** Into the brine tank of a softener that regenerates by itself. */
export const saltAdded = entryKind({
  body: Versions.first(object({ v, kg: divisor().max(500).required() }).noUnknown()),
  about: softenerOnly,
  affects: 'along',
  madeBy: 'people',
  words: ({ kg }, { figure }) => `Salt filled up, ${figure(kg)} kg`,
})
