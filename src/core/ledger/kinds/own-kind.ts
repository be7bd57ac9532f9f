import { object } from 'yup'
import { kindSchema } from '../../kinds/kind-schema.ts'
import { v } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** A firm's own version of a kind of machine; the last of an id counts. */
export const ownKind = entryKind({
  body: Versions.first(object({ v, kind: kindSchema.required() }).noUnknown()),
  about: ['firm'],
  affects: 'along',
  madeBy: 'people',
  words: ({ kind }) => `Our own kind: ${kind.name}`,
})
