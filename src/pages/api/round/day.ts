import { object, string } from 'yup'
import { localDay } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, json, refuse } from '../../../server/api.ts'
import { dayPage } from '../../../services/weeks/day.ts'
import { whomAsked } from '../../../services/weeks/who-together.ts'

const query = object({ on: localDay().required(), who: string().max(36), n: string().max(10) }).noUnknown()

/** A day of the firm: stops, their order, times, roads and what to carry. */
export const GET = endpoint(async ({ url, locals }, { firm, technician }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const today = dayAt(firm.timeZone, locals.now)
  const { on, who } = parsed.value
  return json(
    await dayPage(locals.db, firm.id, { on, today, now: locals.now, technicianId: whomAsked(who, technician.id) }),
  )
})
