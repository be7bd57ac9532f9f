import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { checkCustomers } from '../../../services/check-customers.ts'

/** Says of each row of a list of customers whether it is new. Writes nothing. */
export const POST = endpoint(async ({ request, locals }, { firm }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const checked = await checkCustomers(locals.db, firm.id, read.body)
  return checked.ok ? json({ rows: checked.rows }) : refuse(422, checked.issues)
})
