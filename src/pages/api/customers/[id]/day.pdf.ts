import { dayNumber } from '../../../../core/quantity/local-day.ts'
import { endpoint, notFound } from '../../../../server/api.ts'
import { paperShown } from '../../../../server/paper-shown.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { dayReportFile } from '../../../../services/papers/place-papers.ts'
import { paperWords } from '../../../_paper-words.ts'

/** What was done for a customer on a day, at all their places, as a PDF. `on`: the day. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const { id = '' } = params
  const on = url.searchParams.get('on') ?? ''
  const asked = { now: locals.now, words: paperWords(firm.name) }
  const file =
    isUuid(id) && dayNumber(on) !== null ? await dayReportFile(locals.db, firm, { customerId: id, on }, asked) : null
  return file ? paperShown(file) : notFound()
})
