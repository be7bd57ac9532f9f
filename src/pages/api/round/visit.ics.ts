import { object } from 'yup'
import { uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, refuse } from '../../../server/api.ts'
import { visitInvitation } from '../../../services/calendar.ts'

const query = object({ visitId: uuid().required() }).noUnknown()

/** One agreed visit as a calendar file, to send to the customer. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { visitId } = parsed.value
  const text = await visitInvitation(locals.db, firm.id, visitId)
  if (text === null)
    return refuse(404, [{ path: 'visitId', code: 'unknown', message: 'is no agreed visit', value: visitId }])
  return new Response(text, {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': 'attachment; filename="visit.ics"',
    },
  })
})
