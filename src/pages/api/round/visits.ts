import { array, object } from 'yup'
import { uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, json, refuse } from '../../../server/api.ts'
import { visitsToJoin } from '../../../services/weeks/put-on-visit.ts'

/** Somebody chooses rows by hand: more sites than this at once are a slip. */
const mostSites = 40

const query = object({ siteId: array(uuid().required()).min(1).max(mostSites).required() }).noUnknown()

/** The visits to come of some sites, to put something on one of them. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, { siteId: url.searchParams.getAll('siteId') })
  if (!parsed.ok) return refuse(400, parsed.issues)
  const today = dayAt(firm.timeZone, locals.now)
  return json(await visitsToJoin(locals.db, firm.id, today, parsed.value.siteId))
})
