import { object, string } from 'yup'
import { localDay, uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, json, refuse } from '../../../server/api.ts'
import { visitValley } from '../../../services/weeks/visit-valley.ts'

const query = object({ siteId: uuid().required(), on: localDay().required(), n: string().max(10) }).noUnknown()

/** What a planned visit would cost on each other day; null where the plan has no such visit any more. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { siteId, on } = parsed.value
  return json({ valley: await visitValley(locals.db, firm.id, dayAt(firm.timeZone, locals.now), { siteId, on }) })
})
