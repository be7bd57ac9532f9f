import { actorOf, answerOf, endpoint, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { takeBack } from '../../../../services/imports/imports.ts'

/** Takes a list back: its entries are withdrawn, what it made is removed as far as nothing hangs on it. */
export const POST = endpoint(async ({ params, locals }, who) => {
  if (!isUuid(params.id ?? '')) return notFound()
  return answerOf(await takeBack(locals.db, actorOf(who), params.id!))
})
