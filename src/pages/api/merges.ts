import { object, string } from 'yup'
import { uuid } from '../../core/parse/fields.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpoint, readJson, refuse } from '../../server/api.ts'
import { merge, mergeableKinds } from '../../services/merging.ts'

const asked = object({
  kind: string().oneOf(mergeableKinds).required(),
  from: uuid().required(),
  into: uuid().required(),
}).noUnknown()

/** Makes two customers, sites or machines one. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(asked, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  return answerOf(await merge(locals.db, actorOf(who), parsed.value, locals.now))
})
