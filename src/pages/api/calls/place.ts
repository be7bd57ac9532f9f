import { object } from 'yup'
import { uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, json, notFound, refuse } from '../../../server/api.ts'
import { callPlace } from '../../../services/calls.ts'

const query = object({ siteId: uuid().required() }).noUnknown()

/** What is known of a place while somebody from there is on the telephone. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const place = await callPlace(locals.db, firm.id, parsed.value.siteId)
  return place ? json(place) : notFound()
})
