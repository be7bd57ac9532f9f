import { object } from 'yup'
import { kindRespelt } from '../../kinds/kind-respelt.ts'
import { kindSchema } from '../../kinds/kind-schema.ts'
import { v } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/** A firm's own version of a kind of machine; the last of an id counts. */
export const ownKind = entryKind({
  body: Versions.first(object({ v, kind: kindSchema.required() }).noUnknown()).respelling((body) => {
    const kind = kindRespelt(body.kind)
    return kind === body.kind ? body : { ...body, kind }
  }),
  about: ['firm'],
  affects: 'along',
  madeBy: 'people',
  words: ({ kind }) => `Our own kind: ${kind.name}`,
})
