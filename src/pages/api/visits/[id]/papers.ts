import { dayAt } from '../../../../core/quantity/site-time.ts'
import { endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { visitInvoices } from '../../../../services/invoices/visit-invoices.ts'

/** The invoice of a closed visit as it would be issued now, and what was issued. `payer`: whom it is written to. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const { id = '' } = params
  const payer = url.searchParams.get('payer') ?? ''
  const found = isUuid(id)
    ? await visitInvoices(locals.db, firm.id, {
        visitId: id,
        ...(isUuid(payer) && { payerId: payer }),
        today: dayAt(firm.timeZone, locals.now),
      })
    : null
  return found ? json(found) : notFound()
})
