import { boolean, number, object } from 'yup'
import { slug, v } from '../body-fields.ts'
import { entryKind, machineOrSoftener } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** Taken on: the kind of machine, and whether its parts were new that day. */
export const commissioned = entryKind({
  body: Versions.first(
    object({
      v,
      kind: slug().required(),
      kindVersion: number().integer().min(1).required(),
      partsNew: boolean().required(),
    }).noUnknown(),
  ),
  about: machineOrSoftener,
  affects: 'along',
  madeBy: 'people',
  words: ({ partsNew }) => `Taken on, parts ${partsNew ? 'new' : 'of unknown age'}`,
})
