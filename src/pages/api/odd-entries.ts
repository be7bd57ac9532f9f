import { endpoint, json, refuse } from '../../server/api.ts'
import { oddEntries } from '../../services/odd-entries.ts'

/** A stretch of the ledger, looked through for what today's rules would refuse. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const since = Number(url.searchParams.get('since') ?? '0')
  if (!Number.isSafeInteger(since) || since < 0)
    return refuse(400, [{ path: 'since', code: 'cursor', message: 'must be a whole number ≥ 0' }])
  return json(await oddEntries(locals.db, firm.id, since))
})
