import { endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { standingDetail } from '../../../../services/round.ts'

/** One standing with its working. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '', key = '' } = params
  const detail = isUuid(id) ? await standingDetail(locals.db, firm.id, id, key) : null
  return detail ? json(detail) : notFound()
})
