import { object } from 'yup'
import { localDay } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, refuse } from '../../../server/api.ts'
import { invoicesCsv } from '../../../services/invoices/list.ts'

const query = object({ from: localDay(), to: localDay() }).noUnknown()

/** Invoices and credit notes of a stretch of days, as a spreadsheet for whoever keeps the books. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { from, to } = parsed.value
  const csv = await invoicesCsv(locals.db, firm.id, { ...(from && { from }), ...(to && { to }) })
  return new Response(csv, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="invoices${from ? `-from-${from}` : ''}${to ? `-to-${to}` : ''}.csv"`,
    },
  })
})
