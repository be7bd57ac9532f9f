import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { invoiceFile } from '../../../../services/papers/visit-papers.ts'
import { paperWords } from '../../../_paper-words.ts'

/** An issued invoice or credit note, as a PDF. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  const paper = isUuid(id) ? await invoiceFile(locals.db, firm.id, id, paperWords(firm.name)) : null
  return paper ? paperShown(paper) : notFound()
})
