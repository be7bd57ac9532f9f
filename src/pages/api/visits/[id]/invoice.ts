import { object } from 'yup'
import { uuid } from '../../../../core/parse/fields.ts'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpointOf, notFound, readJson, refuse } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { issueInvoice } from '../../../../services/invoices/issue.ts'

const asked = object({ id: uuid().required(), payerId: uuid() }).noUnknown()

/** Issues the invoice of a closed visit; asked again by one id, it is the same. */
export const POST = endpointOf('bill', async ({ params, request, locals }, who) => {
  const { id: visitId = '' } = params
  if (!isUuid(visitId)) return notFound()
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(asked, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { id, payerId } = parsed.value
  return answerOf(await issueInvoice(locals.db, actorOf(who), { id, visitId, ...(payerId && { payerId }) }, locals.now))
})
