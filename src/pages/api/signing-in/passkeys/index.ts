import type { RegistrationResponseJSON } from '@simplewebauthn/server'
import { object, string } from 'yup'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { actorOf, endpointOf, json, readJson, refuse } from '../../../../server/api.ts'
import { callerOf } from '../../../../server/caller.ts'
import { here } from '../../../../server/public-address.ts'
import { halfWayCookie, holdHalfWay } from '../../../../server/session-cookie.ts'
import { addOwnPasskey, beginOwnPasskey } from '../../../../services/signing-in/own.ts'
import { siteOf } from '../../../../services/signing-in/passkeys.ts'

const made = object({
  name: string().trim().max(60, 'must be at most 60 characters').required('needs a name to tell it by'),
  response: object().required(),
}).noUnknown()

/** Begins a passkey: what the browser is told. */
export const POST = endpointOf('own-proofs', async ({ request, cookies, locals }, who) => {
  const begun = await beginOwnPasskey(locals.db, actorOf(who), who.technician.name, siteOf(here.originOf(request)))
  if (!begun.ok) return refuse(begun.status, begun.issues)
  holdHalfWay(cookies, begun.halfWay)
  return json(begun.options)
})

/** Keeps the passkey that the browser has made. */
export const PUT = endpointOf('own-proofs', async (context, who) => {
  const { request, cookies, locals } = context
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(made, read.body)
  if (!parsed.ok) return refuse(422, parsed.issues)
  const { response } = read.body as { response: RegistrationResponseJSON }
  const added = await addOwnPasskey(
    locals.db,
    actorOf(who),
    { halfWay: cookies.get(halfWayCookie)?.value ?? '', name: parsed.value.name, response },
    siteOf(here.originOf(request)),
    callerOf(context),
  )
  return added.ok ? json(added) : refuse(added.status, added.issues)
})
