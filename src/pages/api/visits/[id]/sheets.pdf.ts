import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { sheetsFile } from '../../../../services/papers/visit-papers.ts'
import { paperDrawings, paperWords } from '../../../_paper-words.ts'

/** The drawn sheets of a closed visit, one a machine, as a PDF. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  const asked = { now: locals.now, words: paperWords(firm.name), draw: paperDrawings }
  const sheets = isUuid(id) ? await sheetsFile(locals.db, firm, id, asked) : null
  return sheets ? paperShown(sheets) : notFound()
})
