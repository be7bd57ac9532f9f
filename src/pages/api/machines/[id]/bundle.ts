import { endpoint, jsonOnce, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { machineBundle } from '../../../../services/machine-bundle.ts'

/** Everything a field screen of one machine works from. */
export const GET = endpoint(async ({ params, request, locals }, { firm }) => {
  const id = params.id ?? ''
  const bundle = isUuid(id) ? await machineBundle(locals.db, firm.id, id) : null
  if (!bundle) return notFound()
  // How far the firm's ledger goes matters only where something was written about this machine.
  const { seq: _, ...known } = bundle
  return jsonOnce(request, bundle, known)
})
