import type { APIRoute } from 'astro'
import { json, readJson, refuse } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { holdHalfWay, holdSession } from '../../../server/session-cookie.ts'
import { followLink } from '../../../services/people.ts'
import { openSession } from '../../../services/sign-in.ts'
import { hasSecondProof } from '../../../services/signing-in/proofs.ts'
import { beginSecond } from '../../../services/signing-in/second.ts'

/** Follows a one-time link: opens the account or sets its password, and signs in. */
export const POST: APIRoute = async (context) => {
  const { params, request, locals, cookies } = context
  const caller = callerOf(context)
  const read = await readJson(request)
  if (!read.ok) return read.response
  const followed = await followLink(locals.db, (params.token ?? '').slice(0, 200), read.body, locals.now, caller)
  if (!followed.ok) return refuse(followed.status, followed.issues)
  const { firmId, technicianId } = followed
  // A link stands for the password, not for what is asked besides.
  if (await hasSecondProof(locals.db, { firmId, technicianId })) {
    holdHalfWay(cookies, await beginSecond(locals.db, { firmId, technicianId }))
    return json({ next: '/sign-in/second' })
  }
  holdSession(cookies, await openSession(locals.db, { firmId, technicianId }, caller.device, caller))
  return json({ next: '/round' })
}
