import { endpoint, notFound } from '../../../../server/api.ts'
import { piped } from '../../../../server/stream.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { packPassport } from '../../../../services/passport-zip.ts'

/** One machine's history with its photos, to go with it to another firm. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const id = params.id ?? ''
  const packed = isUuid(id) ? await packPassport(locals.db, firm.id, id) : null
  if (!packed) return notFound()
  const name = packed.serial.replace(/[^A-Za-z0-9-]+/g, '-') || id
  return piped('application/zip', `passport-${name}.zip`, packed.zip)
})
