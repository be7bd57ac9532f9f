import { endpoint, json } from '../../../server/api.ts'
import { changePage } from '../../../services/changes.ts'

/** Who did what to which record, the latest first. */
export const GET = endpoint(async ({ url, locals }, { firm }) =>
  json(await changePage(locals.db, firm.id, url.searchParams.get('cursor')?.slice(0, 300))),
)
