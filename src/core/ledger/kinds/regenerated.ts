import { object } from 'yup'
import { amount } from '../../parse/fields.ts'
import { v } from '../body-fields.ts'
import { entryKind, softenerOnly } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** A softener's resin was given its salt. */
export const regenerated = entryKind({
  body: Versions.first(object({ v, saltKg: amount().max(100) }).noUnknown()),
  about: softenerOnly,
  affects: 'along',
  madeBy: 'people and devices',
  corrects: () => ({ field: 'saltKg', label: 'Salt, kg', is: 'number' }),
  words: ({ saltKg }, { figure }) => `Softener regenerated${saltKg ? ` with ${figure(saltKg)} kg salt` : ''}`,
})
