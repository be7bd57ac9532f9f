import { boolean, object } from 'yup'
import { procedureRespelt } from '../../procedures/procedure-respelt.ts'
import { procedureSchema } from '../../procedures/procedure-schema.ts'
import { v } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/**
 * A firm's own version of a procedure; the last of an id counts, and stands in for its original while in use.
 */
export const ownProcedure = entryKind({
  body: Versions.first(
    object({ v, procedure: procedureSchema.required(), inUse: boolean().required() }).noUnknown(),
  ).respelling((body) => {
    const procedure = procedureRespelt(body.procedure)
    return procedure === body.procedure ? body : { ...body, procedure }
  }),
  about: ['firm'],
  affects: 'along',
  madeBy: 'people',
  words: ({ procedure: { name, version }, inUse }) =>
    `Our own procedure: ${name}, version ${version}${inUse ? '' : ', out of use'}`,
})
