import { endpoint, json } from '../../../server/api.ts'
import { invoiceList } from '../../../services/invoices/list.ts'

/** One page of invoices and credit notes, the latest first. */
export const GET = endpoint(async ({ url, locals }, { firm }) =>
  json(await invoiceList(locals.db, firm.id, url.searchParams.get('cursor') ?? undefined)),
)
