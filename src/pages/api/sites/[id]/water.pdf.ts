import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { waterReportFile } from '../../../../services/papers/place-papers.ts'
import { paperWords } from '../../../_paper-words.ts'

/** What is known of the water of a place, as a PDF. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  const asked = { now: locals.now, words: paperWords(firm.name) }
  const file = isUuid(id) ? await waterReportFile(locals.db, firm, id, asked) : null
  return file ? paperShown(file) : notFound()
})
