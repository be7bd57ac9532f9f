import { object, string } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpointOf, readJson, refuse } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { beginOwnCodeApp, confirmOwnCodeApp, dropProof } from '../../../services/signing-in/own.ts'

const confirming = object({ code: string().max(12).required() }).noUnknown()

/** What a code app reads to begin. */
export const POST = endpointOf('own-proofs', async ({ locals }, who) =>
  answerOf(await beginOwnCodeApp(locals.db, actorOf(who))),
)

/** Its first right code: from now on it is asked for. */
export const PUT = endpointOf('own-proofs', async (context, who) => {
  const read = await readJson(context.request)
  if (!read.ok) return read.response
  const parsed = parseStrict(confirming, read.body)
  if (!parsed.ok) return refuse(422, parsed.issues)
  return answerOf(await confirmOwnCodeApp(context.locals.db, actorOf(who), parsed.value.code, callerOf(context)))
})

export const DELETE = endpointOf('own-proofs', async (context, who) =>
  answerOf(await dropProof(context.locals.db, actorOf(who), 'code-app', who.firm.asksSecond, callerOf(context))),
)
