import { object, string } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, json, refuse } from '../../../server/api.ts'
import { whoRang } from '../../../services/calls.ts'

const query = object({ q: string().max(200) }).noUnknown()

/** Machines that somebody may be ringing about. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  return json({ found: await whoRang(locals.db, firm.id, parsed.value.q ?? '') })
})
