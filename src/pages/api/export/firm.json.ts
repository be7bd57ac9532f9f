import { streamed } from '../../../server/stream.ts'
import { takingOut } from '../../../server/take-out.ts'
import { exportFirm } from '../../../services/export-firm.ts'

/** All of the firm's data but its photos, as one JSON file. */
export const GET = takingOut('json', ({ db }, firmId, name) =>
  streamed('application/json', name, (write) => exportFirm(db, firmId, write)),
)
