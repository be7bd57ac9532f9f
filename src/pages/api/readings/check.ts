import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { checkReadings } from '../../../services/check-readings.ts'

/** Says of each row of a spreadsheet what would become of it. Writes nothing. */
export const POST = endpoint(async ({ request, locals }, { firm }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const checked = await checkReadings(locals.db, firm.id, read.body, locals.now)
  return checked.ok ? json({ rows: checked.rows }) : refuse(422, checked.issues)
})
