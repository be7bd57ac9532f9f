import { object, string } from 'yup'
import { uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, jsonOnce, refuse } from '../../../server/api.ts'
import { gatherings, type Horizon, horizons, roundPage } from '../../../services/round.ts'

const query = object({
  horizon: string()
    .oneOf([...Object.keys(horizons), 'all'])
    .default('quarter'),
  siteId: uuid(),
  technicianId: uuid(),
  kind: string().max(40),
  text: string().max(200),
  gather: string().oneOf(gatherings),
  cursor: string().max(600),
}).noUnknown()

/** What is coming due, a page at a time. */
export const GET = endpoint(async ({ url, request, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { horizon, ...rest } = parsed.value
  const today = dayAt(firm.timeZone, locals.now)
  return jsonOnce(request, await roundPage(locals.db, firm.id, { ...rest, horizon: horizon as Horizon }, today))
})
