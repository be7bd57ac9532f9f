import { answerOf, endpoint, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { invoiceXml } from '../../../../services/invoices/invoice-files.ts'
import { fileNameOf } from '../../../../services/papers/visit-papers.ts'

/** An issued invoice or credit note as UBL 2.1 with the content of EN 16931. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  if (!isUuid(id)) return notFound()
  const made = await invoiceXml(locals.db, firm.id, id)
  if (!made.ok) return answerOf(made)
  return new Response(made.xml, {
    headers: {
      'content-type': 'application/xml; charset=utf-8',
      'content-disposition': `attachment; filename="${fileNameOf(made.number)}.xml"`,
    },
  })
})
