import { actorOf, endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { readPassport } from '../../../services/passport.ts'

/** Takes a machine on with the history another firm tells of it. Safe to send again. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const taken = await readPassport(locals.db, actorOf(who), read.body, locals.now)
  return taken.ok ? json({ machineId: taken.machineId, entries: taken.entries }) : refuse(422, taken.issues)
})
