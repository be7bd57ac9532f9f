import { actorOf, endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { importPage } from '../../../../services/imports/imports.ts'

/** One list that was brought in: how far it is, what it made, what has been built upon it. */
export const GET = endpoint(async ({ params, locals }, who) => {
  const page = isUuid(params.id ?? '') ? await importPage(locals.db, actorOf(who), params.id!) : null
  return page ? json(page) : notFound()
})
