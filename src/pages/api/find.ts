import { endpoint, json } from '../../server/api.ts'
import { machinePage } from '../../services/machines.ts'

/** A handful of machines for the find box: each word somewhere in place, name, maker, model or serial. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const text = (url.searchParams.get('q') ?? '').slice(0, 200)
  const { rows } = await machinePage(locals.db, firm.id, { text }, 12)
  return json({ rows })
})
