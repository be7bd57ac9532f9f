import type { APIRoute } from 'astro'
import { v7 } from 'uuid'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpointOf } from '../../../server/api.ts'
import { callerOf } from '../../../server/caller.ts'
import { streamed } from '../../../server/stream.ts'
import { noteExport } from '../../../services/changes.ts'
import { exportFirm } from '../../../services/export-firm.ts'
import { tell } from '../../../services/signing-in/tell.ts'

/** All of the firm's data as one JSON file. For the owner: it holds everything. */
export const GET: APIRoute = async (context) => {
  const answer = await takeOut(context)
  // Somebody who went here by an address is shown the page that asks, not what programs are told.
  const isPerson = context.request.headers.get('sec-fetch-mode') === 'navigate'
  return answer.status === 403 && isPerson ? context.redirect('/data#everything', 303) : answer
}

const takeOut = endpointOf('take-all-out', async (context, { firm, technician }) => {
  const { locals } = context
  const holder = { firmId: firm.id, technicianId: technician.id }
  await noteExport(locals.db, holder, v7(), locals.now)
  await tell(locals.db, holder, 'taken-out', callerOf(context))
  const name = `even-shot-${dayAt(firm.timeZone, locals.now)}.json`
  return streamed('application/json', name, (write) => exportFirm(locals.db, firm.id, write))
})
