import { object, string } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpointOf, notFound, readJson, refuse } from '../../../server/api.ts'
import { settleFailed } from '../../../services/background.ts'
import { isUuid } from '../../../services/cursor.ts'

const asked = object({
  what: string()
    .oneOf(['again', 'drop'] as const)
    .required(),
}).noUnknown()

/** Asks once more for what failed, or takes it off the list. */
export const POST = endpointOf('see-to-the-works', async ({ params, request, locals }, who) => {
  const id = params.id ?? ''
  if (!isUuid(id)) return notFound()
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(asked, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  return answerOf(await settleFailed(locals.db, actorOf(who), id, parsed.value.what))
})
