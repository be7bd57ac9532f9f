import { boolean, object } from 'yup'
import { checkOwnProcedure } from '../../procedures/check-procedure.ts'
import { procedureSchema } from '../../procedures/procedure-schema.ts'
import { v } from '../body-fields.ts'
import { entryKind } from '../entry-definition.ts'
import { Versions } from '../versions.ts'

/**
 * A firm's own version of a procedure; the last of an id counts, and stands in for its original while in use.
 * It is checked as a whole: one that puts something into a machine takes it out again.
 */
export const ownProcedure = entryKind({
  body: Versions.first(
    object({ v, procedure: procedureSchema.required(), inUse: boolean().required() }).noUnknown(),
    ({ procedure }) => {
      const checked = checkOwnProcedure(procedure)
      if (checked.ok) return []
      return checked.issues.map((issue) => ({ ...issue, path: ['procedure', issue.path].filter(Boolean).join('.') }))
    },
  ),
  about: ['firm'],
  affects: 'along',
  madeBy: 'people',
  words: ({ procedure: { name, version }, inUse }) =>
    `Our own procedure: ${name}, version ${version}${inUse ? '' : ', out of use'}`,
})
