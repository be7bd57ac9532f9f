import { endpoint, json } from '../../server/api.ts'
import { findAll } from '../../services/find.ts'

/** What the words of the find box may mean: each word somewhere in what is found. */
export const GET = endpoint(async ({ url, locals }, { firm }) =>
  json(await findAll(locals.db, firm.id, (url.searchParams.get('q') ?? '').slice(0, 200))),
)
