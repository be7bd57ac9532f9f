import { actorOf, endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { stopImport } from '../../../../services/imports/bring-in.ts'

/** Stops a list that is being written: what is written stays, and can be taken back. */
export const POST = endpoint(async ({ params, locals }, who) => {
  if (!isUuid(params.id ?? '')) return notFound()
  return json({ stopped: await stopImport(locals.db, actorOf(who), params.id!) })
})
