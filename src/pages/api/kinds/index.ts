import { endpoint, json } from '../../../server/api.ts'
import { veryOwnKindsOf } from '../../../services/own-kinds.ts'

/** The kinds that this firm made from nothing: machines can be taken on as them too. */
export const GET = endpoint(async ({ locals }, { firm }) =>
  json({ firmId: firm.id, kinds: await veryOwnKindsOf(locals.db, firm.id) }),
)
