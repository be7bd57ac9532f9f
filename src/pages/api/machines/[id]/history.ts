import { endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { wholeHistory } from '../../../../services/machine-bundle.ts'

/** A machine's whole history, however long: its own entries, its softener's and its site's. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const id = params.id ?? ''
  const entries = isUuid(id) ? await wholeHistory(locals.db, firm.id, id) : null
  return entries ? json(entries) : notFound()
})
