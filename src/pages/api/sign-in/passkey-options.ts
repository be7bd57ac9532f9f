import type { APIRoute } from 'astro'
import { json, refuse } from '../../../server/api.ts'
import { here } from '../../../server/public-address.ts'
import { holdHalfWay } from '../../../server/session-cookie.ts'
import { askForPasskey, siteOf, takesPasskeys } from '../../../services/signing-in/passkeys.ts'

/** Begins signing in by passkey. */
export const POST: APIRoute = async ({ request, cookies, locals }) => {
  const site = siteOf(here.originOf(request))
  if (!takesPasskeys(site))
    return refuse(422, [{ path: '', code: 'no_name', message: 'Passkeys need a name reached over https.' }])
  const { options, halfWay } = await askForPasskey(locals.db, site)
  holdHalfWay(cookies, halfWay)
  return json(options)
}
