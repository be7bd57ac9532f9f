import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { checkMachines } from '../../../services/check-machines.ts'

/** Says of each row of a list of machines what it would add. Writes nothing. */
export const POST = endpoint(async ({ request, locals }, { firm }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const checked = await checkMachines(locals.db, firm.id, firm.timeZone, read.body, locals.now)
  return checked.ok ? json({ rows: checked.rows }) : refuse(422, checked.issues)
})
