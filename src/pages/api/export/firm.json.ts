import { v7 } from 'uuid'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, refuse } from '../../../server/api.ts'
import { streamed } from '../../../server/stream.ts'
import { noteExport } from '../../../services/changes.ts'
import { exportFirm } from '../../../services/export-firm.ts'

/** All of the firm's data as one JSON file. For the owner: it holds everything. */
export const GET = endpoint(async ({ locals }, { firm, technician }) => {
  if (technician.role !== 'owner')
    return refuse(403, [{ path: '', code: 'owner_only', message: 'Only the owner may take all data out.' }])
  await noteExport(locals.db, { firmId: firm.id, technicianId: technician.id }, v7(), locals.now)
  const name = `even-shot-${dayAt(firm.timeZone, locals.now)}.json`
  return streamed('application/json', name, (write) => exportFirm(locals.db, firm.id, write))
})
