import { endpointOf, json } from '../../../server/api.ts'
import { eventPage } from '../../../services/signing-in/events.ts'

/** Who came in from where, and what was done with keys: the next page, latest first. */
export const GET = endpointOf('read-who-signed-in', async ({ url, locals }, { firm }) =>
  json(await eventPage(locals.db, firm.id, url.searchParams.get('cursor'))),
)
