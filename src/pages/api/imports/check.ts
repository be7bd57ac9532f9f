import { actorOf, endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { checkImport } from '../../../services/imports/judge-import.ts'

/** Says of each row of a list what it would write. Writes nothing. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const checked = await checkImport(locals.db, actorOf(who), who.firm, read.body, locals.now)
  return checked.ok ? json({ rows: checked.rows }) : refuse(422, checked.issues)
})
