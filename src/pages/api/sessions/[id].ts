import { actorOf, endpoint, json, notFound, refuse } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { isUuid } from '../../../services/cursor.ts'
import { endListedSession } from '../../../services/people.ts'

/** Ends a session: one's own, or as the owner anybody's. */
export const DELETE = endpoint(async (context, who) => {
  const { params, locals } = context
  const id = params.id ?? ''
  if (!isUuid(id)) return notFound()
  const ended = await endListedSession(locals.db, actorOf(who), id, locals.now, callerOf(context))
  return ended.ok ? json({}) : refuse(ended.status, ended.issues)
})
