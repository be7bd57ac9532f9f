import { boolean, object } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpointOf, readJson, refuse } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { setRule } from '../../../services/signing-in/own.ts'

const rule = object({ asksSecond: boolean().required() }).noUnknown()

/** Whether everybody of the firm shows a second proof. */
export const PUT = endpointOf('set-how-to-sign-in', async (context, who) => {
  const read = await readJson(context.request)
  if (!read.ok) return read.response
  const parsed = parseStrict(rule, read.body)
  if (!parsed.ok) return refuse(422, parsed.issues)
  return answerOf(await setRule(context.locals.db, actorOf(who), parsed.value.asksSecond, callerOf(context)))
})
