import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { careFile } from '../../../../services/papers/place-papers.ts'
import { paperWords } from '../../../_paper-words.ts'

/** The care sheet of a machine as a PDF. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const { id = '' } = params
  const of = { firmId: firm.id, backflush: url.searchParams.get('backflush') ?? undefined }
  const asked = { now: locals.now, words: paperWords(firm.name) }
  const file = isUuid(id) ? await careFile(locals.db, id, of, asked) : null
  return file ? paperShown(file) : notFound()
})
