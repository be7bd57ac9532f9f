import { actorOf, answerOf, endpointOf } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { remakeRecoveryCodes } from '../../../services/signing-in/own.ts'

/** Codes for paper, made anew and shown this once. */
export const POST = endpointOf('own-proofs', async (context, who) =>
  answerOf(await remakeRecoveryCodes(context.locals.db, actorOf(who), callerOf(context))),
)
