import type { APIRoute } from 'astro'
import { json, readJson, refuse } from '../../server/api.ts'
import { callerOf } from '../../server/caller.ts'
import { holdSession } from '../../server/session-cookie.ts'
import { importFirm } from '../../services/import-firm.ts'
import { openSession } from '../../services/sign-in.ts'

/** Reads a firm's data back into an empty place, and signs its owner in. */
export const POST: APIRoute = async (context) => {
  const { request, locals, cookies } = context
  const caller = callerOf(context)
  const read = await readJson(request)
  if (!read.ok) return read.response
  const { owner, data } = (read.body ?? {}) as { owner?: unknown; data?: unknown }
  const imported = await importFirm(locals.db, owner, data)
  if (!imported.ok) return refuse(imported.why === 'closed' ? 403 : 422, imported.issues)
  const { firmId, technicianId, entries } = imported
  holdSession(cookies, await openSession(locals.db, { firmId, technicianId }, caller.device, caller))
  return json({ entries })
}
