import { endpoint, json, notFound } from '../../../server/api.ts'
import { isUuid } from '../../../services/cursor.ts'
import { standingDetail } from '../../../services/round.ts'

/** One standing with its working, by subject and key. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const { id = '' } = params
  const key = (url.searchParams.get('key') ?? '').slice(0, 200)
  const detail = isUuid(id) && !key.includes('\0') ? await standingDetail(locals.db, firm.id, id, key) : null
  return detail ? json(detail) : notFound()
})
