import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, json } from '../../../server/api.ts'
import { ringBacks } from '../../../services/calls.ts'

/** Calls that are to be rung back. */
export const GET = endpoint(async ({ locals }, { firm }) =>
  json({ calls: await ringBacks(locals.db, firm.id, dayAt(firm.timeZone, locals.now)) }),
)
