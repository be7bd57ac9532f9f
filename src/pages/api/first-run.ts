import type { APIRoute } from 'astro'
import { json, readJson, refuse } from '../../server/api.ts'
import { callerOf } from '../../server/caller.ts'
import { holdSession } from '../../server/session-cookie.ts'
import { openSession } from '../../services/sign-in.ts'
import { startFirm } from '../../services/start-firm.ts'

/** Makes the first firm of one's own here, with its owner, and signs the owner in. */
export const POST: APIRoute = async (context) => {
  const { request, locals, cookies } = context
  const caller = callerOf(context)
  const read = await readJson(request)
  if (!read.ok) return read.response
  const started = await startFirm(locals.db, read.body, locals.now)
  if (!started.ok) return refuse(started.why === 'closed' ? 403 : 422, started.issues)
  const { firmId, technicianId } = started
  holdSession(cookies, await openSession(locals.db, { firmId, technicianId }, caller.device, caller))
  return json({ firmId })
}
