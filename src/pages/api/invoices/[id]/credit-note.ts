import { object, string } from 'yup'
import { uuid } from '../../../../core/parse/fields.ts'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpointOf, notFound, readJson, refuse } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { cancelInvoice } from '../../../../services/invoices/issue.ts'

const asked = object({
  id: uuid().required(),
  why: string().trim().max(300, 'must be at most 300 characters').required('must be said'),
}).noUnknown()

/** Takes an invoice back by a credit note; asked again by one id, it is the same. */
export const POST = endpointOf('bill', async ({ params, request, locals }, who) => {
  const { id: invoiceId = '' } = params
  if (!isUuid(invoiceId)) return notFound()
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(asked, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  return answerOf(await cancelInvoice(locals.db, actorOf(who), { ...parsed.value, invoiceId }, locals.now))
})
