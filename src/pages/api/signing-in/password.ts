import { actorOf, answerOf, endpoint, readJson } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { changePassword } from '../../../services/signing-in/own.ts'

/** A new password of one's own, with the one there is; every other session of theirs ends. */
export const POST = endpoint(async (context, who) => {
  const read = await readJson(context.request)
  if (!read.ok) return read.response
  return answerOf(await changePassword(context.locals.db, actorOf(who), who.sessionId, read.body, callerOf(context)))
})
