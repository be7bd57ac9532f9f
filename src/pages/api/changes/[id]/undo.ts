import { actorOf, answerOf, endpoint, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { undoChange } from '../../../../services/undo-change.ts'

/** Undoes a line of the log: a record that was removed, two that were made one. */
export const POST = endpoint(async ({ params, locals }, who) => {
  const id = params.id ?? ''
  if (!isUuid(id)) return notFound()
  return answerOf(await undoChange(locals.db, actorOf(who), id, locals.now))
})
