import { endpoint, json } from '../../server/api.ts'
import { crossedList } from '../../services/crossed.ts'

/** Machines at which what two wrote without knowing of each other differs, and somebody is asked. */
export const GET = endpoint(async ({ locals }, { firm }) =>
  json({ machines: await crossedList(locals.db, firm.id, locals.now) }),
)
