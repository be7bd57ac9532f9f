import { object, string } from 'yup'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { endpoint, json, notFound, refuse } from '../../../../server/api.ts'
import { isListed, recordPage } from '../../../../services/records.ts'

const query = object({
  text: string().max(200),
  cursor: string().max(1000),
  siteId: string().matches(/^[0-9a-f-]{36}$/, 'is not an id'),
  customerId: string().matches(/^[0-9a-f-]{36}$/, 'is not an id'),
}).noUnknown()

/** Records of one kind by name, a page at a time. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const kind = params.kind ?? ''
  if (!isListed(kind)) return notFound()
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  return json(await recordPage(locals.db, firm.id, kind, parsed.value))
})
