import { object, string } from 'yup'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { endpoint, json, refuse } from '../../server/api.ts'
import { isUuid } from '../../services/cursor.ts'
import { visitPage } from '../../services/visits.ts'

const id = () => string().test('id', 'is not an id', (value) => value === undefined || isUuid(value))

const query = object({ siteId: id(), machineId: id(), technicianId: id(), cursor: string().max(600) }).noUnknown()

/** Visits, the latest first, a page at a time. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  return parsed.ok ? json(await visitPage(locals.db, firm.id, parsed.value)) : refuse(400, parsed.issues)
})
