import type { APIRoute } from 'astro'
import { json, refuse } from '../../server/api.ts'
import { callerOf } from '../../server/caller.ts'
import { arrivedHeader } from '../../server/door.ts'
import { holdSession } from '../../server/session-cookie.ts'
import { unpackFirm } from '../../services/everything.ts'
import { openSession } from '../../services/sign-in.ts'

/** Reads a firm's zip back into an empty place, photos and all, and signs its owner in. */
export const POST: APIRoute = async (context) => {
  const { request, locals, cookies } = context
  const caller = callerOf(context)
  const path = request.headers.get(arrivedHeader)
  if (!path) return refuse(400, [{ path: '', code: 'zip', message: 'is no zip' }])
  let owner: unknown
  try {
    owner = JSON.parse(decodeURIComponent(request.headers.get('x-owner') ?? ''))
  } catch {
    return refuse(400, [{ path: 'owner', code: 'json', message: 'is not JSON' }])
  }
  const imported = await unpackFirm(locals.db, owner, path)
  if (!imported.ok) return refuse(imported.why === 'closed' ? 403 : 422, imported.issues)
  const { firmId, technicianId, entries } = imported
  holdSession(cookies, await openSession(locals.db, { firmId, technicianId }, caller.device, caller))
  return json({ entries })
}
