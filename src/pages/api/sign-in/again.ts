import { object, string } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { actorOf, endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { showPasswordAgain } from '../../../services/signing-in/own.ts'

const request = object({ password: string().max(1000).required() }).noUnknown()

/** Whether somebody showed a moment ago who they are. */
export const GET = endpoint(async (_, { isFresh }) => json({ isFresh }))

/** Shows it again. */
export const POST = endpoint(async (context, who) => {
  const read = await readJson(context.request)
  if (!read.ok) return read.response
  const parsed = parseStrict(request, read.body)
  if (!parsed.ok) return refuse(422, parsed.issues)
  const { password } = parsed.value
  const shown = await showPasswordAgain(context.locals.db, actorOf(who), who.sessionId, password, callerOf(context))
  return shown.ok ? json({}) : refuse(shown.status, shown.issues)
})
