import { endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { machineBundle } from '../../../../services/machine-bundle.ts'

/** Everything a field screen of one machine works from. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const id = params.id ?? ''
  const bundle = isUuid(id) ? await machineBundle(locals.db, firm.id, id) : null
  return bundle ? json(bundle) : notFound()
})
