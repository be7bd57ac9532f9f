import { endpoint, notFound } from '../../../../server/api.ts'
import { handedBack } from '../../../../server/stream.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { importFile } from '../../../../services/imports/imports.ts'

/** The file of a list, as it came. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const list = isUuid(params.id ?? '') ? await importFile(locals.db, firm.id, params.id!) : null
  return list ? handedBack(list) : notFound()
})
