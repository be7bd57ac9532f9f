import { actorOf, endpoint, json, refuse } from '../../../server/api.ts'
import { arrivedHeader } from '../../../server/door.ts'
import { unpackPassport } from '../../../services/passport-zip.ts'

/** Takes a machine on with its history and photos; where it stands is said in the address. Safe to send again. */
export const POST = endpoint(async ({ request, url, locals }, who) => {
  const path = request.headers.get(arrivedHeader)
  if (!path) return refuse(400, [{ path: '', code: 'zip', message: 'is no zip' }])
  const taken = await unpackPassport(locals.db, actorOf(who), url.searchParams.get('siteId'), path, locals.now)
  return taken.ok ? json({ machineId: taken.machineId, entries: taken.entries }) : refuse(422, taken.issues)
})
