import { object, string } from 'yup'
import { localDay } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, json, refuse } from '../../../server/api.ts'
import { dayPage } from '../../../services/weeks/day.ts'

const query = object({ on: localDay().required(), n: string().max(10) }).noUnknown()

/** A day of the firm: stops, their order, times, roads and what to carry. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const today = dayAt(firm.timeZone, locals.now)
  return json(await dayPage(locals.db, firm.id, { on: parsed.value.on, today, now: locals.now }))
})
