import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { reportFile } from '../../../../services/papers/visit-papers.ts'
import { paperWords } from '../../../_paper-words.ts'

/** The service report of a visit that is closed, as a PDF. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  const asked = { now: locals.now, words: paperWords(firm.name) }
  const report = isUuid(id) ? await reportFile(locals.db, firm, id, asked) : null
  return report ? paperShown(report) : notFound()
})
