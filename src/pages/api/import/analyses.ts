import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { checkAnalyses } from '../../../services/check-analyses.ts'

/** Says of each row of a waterworks' table what it would write. Writes nothing. */
export const POST = endpoint(async ({ request, locals }, { firm }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const checked = await checkAnalyses(locals.db, firm.id, firm.timeZone, read.body, locals.now)
  return checked.ok ? json({ rows: checked.rows }) : refuse(422, checked.issues)
})
