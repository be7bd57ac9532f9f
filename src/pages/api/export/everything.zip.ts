import { piped } from '../../../server/stream.ts'
import { takingOut } from '../../../server/take-out.ts'
import { packFirm } from '../../../services/everything.ts'

/** All of the firm's data with its photos, as a zip. */
export const GET = takingOut('zip', async ({ db }, firmId, name) =>
  piped('application/zip', name, await packFirm(db, firmId)),
)
