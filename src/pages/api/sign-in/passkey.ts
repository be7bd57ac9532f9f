import type { AuthenticationResponseJSON } from '@simplewebauthn/server'
import type { APIRoute } from 'astro'
import { json, readJson, refuse } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { here } from '../../../server/public-address.ts'
import { halfWayCookie, holdSession } from '../../../server/session-cookie.ts'
import { openSession } from '../../../services/sign-in.ts'
import { showPasskey, siteOf } from '../../../services/signing-in/passkeys.ts'

/** Signs in whoever's passkey it is. */
export const POST: APIRoute = async (context) => {
  const { request, cookies, locals } = context
  const read = await readJson(request)
  if (!read.ok) return read.response
  const caller = callerOf(context)
  const token = cookies.get(halfWayCookie)?.value ?? ''
  const response = (read.body ?? {}) as AuthenticationResponseJSON
  const holder = await showPasskey(locals.db, token, response, siteOf(here.originOf(request)), caller)
  if (!holder) return refuse(422, [{ path: '', code: 'wrong', message: 'This passkey opens nothing here.' }])
  holdSession(cookies, await openSession(locals.db, holder, caller.device, caller))
  return json({})
}
