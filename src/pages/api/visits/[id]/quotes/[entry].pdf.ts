import { endpoint, notFound } from '../../../../../server/api.ts'
import { paperShown } from '../../../../../server/paper-shown.ts'
import { isUuid } from '../../../../../services/cursor.ts'
import { quoteFile } from '../../../../../services/papers/visit-papers.ts'
import { paperWords } from '../../../../_paper-words.ts'

/** A quote that was written on a visit, as a PDF. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id: visitId = '', entry: entryId = '' } = params
  const quote = isUuid(visitId)
    ? await quoteFile(locals.db, firm.id, { of: { visitId }, entryId }, paperWords(firm.name))
    : null
  return quote ? paperShown(quote) : notFound()
})
