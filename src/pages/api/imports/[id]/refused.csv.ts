import { endpoint, notFound } from '../../../../server/api.ts'
import { handedBack } from '../../../../server/stream.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { refusedRows } from '../../../../services/imports/imports.ts'

/** The rows of a list that were not written, with the reason, in its own separators and letters. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const list = isUuid(params.id ?? '') ? await refusedRows(locals.db, firm.id, params.id!) : null
  return list ? handedBack(list) : notFound()
})
