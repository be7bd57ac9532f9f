import { actorOf, answerOf, endpointOf } from '../../../../server/api.ts'
import { callerOf } from '../../../../server/caller.ts'
import { dropProof } from '../../../../services/signing-in/own.ts'

/** Takes one of one's own passkeys away. */
export const DELETE = endpointOf('own-proofs', async (context, who) =>
  answerOf(
    await dropProof(
      context.locals.db,
      actorOf(who),
      { passkey: (context.params.id ?? '').slice(0, 1500) },
      who.firm.asksSecond,
      callerOf(context),
    ),
  ),
)
