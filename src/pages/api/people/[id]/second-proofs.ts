import { actorOf, answerOf, endpointOf, notFound } from '../../../../server/api.ts'
import { callerOf } from '../../../../server/caller.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { forgetProofsOf } from '../../../../services/signing-in/own.ts'

/** Lets somebody in with the password alone who has lost what was asked besides. */
export const DELETE = endpointOf('forget-others-proofs', async (context, who) => {
  const id = context.params.id ?? ''
  if (!isUuid(id)) return notFound()
  return answerOf(await forgetProofsOf(context.locals.db, actorOf(who), id, callerOf(context)))
})
