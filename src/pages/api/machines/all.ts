import { endpoint, jsonOnce } from '../../../server/api.ts'
import { machineNames } from '../../../services/calls.ts'

/** The names of all machines: a device finds them without network. */
export const GET = endpoint(async ({ request, locals }, { firm }) =>
  jsonOnce(request, { machines: await machineNames(locals.db, firm.id) }),
)
