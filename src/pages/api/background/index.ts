import { actorOf, endpointOf, json } from '../../../server/api.ts'
import { failedWork } from '../../../services/background.ts'

/** What was done in the background and failed as often as it may. */
export const GET = endpointOf('see-to-the-works', async ({ locals }, who) =>
  json({ failed: await failedWork(locals.db, actorOf(who)) }),
)
