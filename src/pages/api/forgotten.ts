import { object, string } from 'yup'
import { uuid } from '../../core/parse/fields.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpointOf, readJson, refuse } from '../../server/api.ts'
import { callerOf } from '../../server/caller.ts'
import { forget } from '../../services/forget.ts'

const asked = object({
  kind: string()
    .oneOf(['technician', 'customer'] as const)
    .required(),
  id: uuid().required(),
}).noUnknown()

/** Takes a person out of what the firm keeps; what was done to which machine stays. */
export const POST = endpointOf('forget-people', async (context, who) => {
  const read = await readJson(context.request)
  if (!read.ok) return read.response
  const parsed = parseStrict(asked, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { kind, id } = parsed.value
  const { db, now } = context.locals
  return answerOf(await forget(db, actorOf(who), kind, id, now, callerOf(context)))
})
