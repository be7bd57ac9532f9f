import { actorOf, answerOf, endpoint, readJson } from '../../server/api.ts'
import { tellAges } from '../../services/ages.ts'

/** Says what is known of the ages of all machines of a site, or of a kind, that wait for their first look. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  return answerOf(await tellAges(locals.db, actorOf(who), read.body, locals.now))
})
