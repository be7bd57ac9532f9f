import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { testsFile } from '../../../../services/papers/visit-papers.ts'
import { paperWords } from '../../../_paper-words.ts'

/** The test-out and electrical safety record of a closed visit, as a PDF. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  const asked = { now: locals.now, words: paperWords(firm.name) }
  const record = isUuid(id) ? await testsFile(locals.db, firm, id, asked) : null
  return record ? paperShown(record) : notFound()
})
