import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, jsonOnce } from '../../../server/api.ts'
import { weeksAhead } from '../../../services/weeks/weeks-ahead.ts'

/** The visits of the weeks ahead, as they are planned. */
export const GET = endpoint(async ({ request, url, locals }, { firm, technician }) => {
  const who = url.searchParams.get('who')
  const today = dayAt(firm.timeZone, locals.now)
  return jsonOnce(
    request,
    await weeksAhead(locals.db, firm.id, today, { ...(who && { technicianId: who }), me: technician.id }),
  )
})
