import { array, object, string } from 'yup'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpoint, json, notFound, readJson, refuse } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { letterPage, writeLetter } from '../../../../services/letters/write-letter.ts'
import { visitPapers } from '../../../../services/papers/visit-papers.ts'
import { paperDrawings, paperWords } from '../../../_paper-words.ts'

const asked = object({ papers: array(string().max(60).required()).min(1, 'choose a paper').max(10).required() })

/** Letters that went out with papers of a visit. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  return isUuid(id) ? json(await letterPage(locals.db, firm.id, { visitId: id })) : notFound()
})

/** Writes a letter with papers of the visit, as they are now; asked again by one id, it goes out once. */
export const POST = endpoint(async ({ params, request, locals }, who) => {
  const { id: visitId = '' } = params
  if (!isUuid(visitId)) return notFound()
  const read = await readJson(request)
  if (!read.ok) return read.response
  const { papers, ...letter } = (read.body ?? {}) as Record<string, unknown>
  const parsed = parseStrict(asked, { papers })
  if (!parsed.ok) return refuse(422, parsed.issues)
  const made = await visitPapers(locals.db, who.firm, visitId, {
    papers: parsed.value.papers,
    now: locals.now,
    words: paperWords(who.firm.name),
    draw: paperDrawings,
  })
  if (!made.ok) return answerOf(made)
  return answerOf(await writeLetter(locals.db, actorOf(who), letter, { visitId, files: made.files, now: locals.now }))
})
