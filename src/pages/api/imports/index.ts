import { actorOf, endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { startImport } from '../../../services/imports/bring-in.ts'
import { importList } from '../../../services/imports/imports.ts'

/** The lists that were brought in, the latest first. */
export const GET = endpoint(async ({ locals }, { firm }) => json({ imports: await importList(locals.db, firm.id) }))

/** Takes a list on: it is written in the background. Safe to send again. */
export const POST = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const started = await startImport(locals.db, actorOf(who), read.body, locals.now)
  return started.ok ? json({ id: started.id }) : refuse(422, started.issues)
})
