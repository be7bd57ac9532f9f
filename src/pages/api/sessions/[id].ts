import { actorOf, endpoint, json, notFound, refuse } from '../../../server/api.ts'
import { isUuid } from '../../../services/cursor.ts'
import { endListedSession } from '../../../services/people.ts'

/** Ends a session: one's own, or as the owner anybody's. */
export const DELETE = endpoint(async ({ params, locals }, who) => {
  const id = params.id ?? ''
  if (!isUuid(id)) return notFound()
  const ended = await endListedSession(locals.db, actorOf(who), id, locals.now)
  return ended.ok ? json({}) : refuse(ended.status, ended.issues)
})
