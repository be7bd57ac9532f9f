import { array, object, string } from 'yup'
import type { LetterFile } from '../core/letters/letter.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { actorOf, answerOf, endpoint, json, notFound, readJson, refuse } from '../server/api.ts'
import type { Answer } from '../services/answer.ts'
import { isUuid } from '../services/cursor.ts'
import { letterPage, writeLetter } from '../services/letters/write-letter.ts'

type Who = NonNullable<App.Locals['signedIn']>

const asked = object({
  papers: array(string().max(90).required()).min(1, 'choose a paper').max(10, 'choose ten at most').required(),
})

/**
 * Letters with papers of what an address is about: those that went out, and one more.
 *
 * @param of - what they are listed and kept by
 * @param make - the papers asked for, as they are now
 */
export const letterRoutes = (
  of: (id: string) => { visitId: string } | { siteId: string },
  make: (locals: App.Locals, who: Who, id: string, papers: string[]) => Promise<Answer<{ files: LetterFile[] }>>,
) => ({
  GET: endpoint(async ({ params, locals }, { firm }) => {
    const { id = '' } = params
    return isUuid(id) ? json(await letterPage(locals.db, firm.id, { of: of(id) })) : notFound()
  }),

  /** Asked again by one id, it goes out once. */
  POST: endpoint(async ({ params, request, locals }, who) => {
    const { id = '' } = params
    if (!isUuid(id)) return notFound()
    const read = await readJson(request)
    if (!read.ok) return read.response
    const { papers, ...letter } = (read.body ?? {}) as Record<string, unknown>
    const parsed = parseStrict(asked, { papers })
    if (!parsed.ok) return refuse(422, parsed.issues)
    const made = await make(locals, who, id, parsed.value.papers)
    if (!made.ok) return answerOf(made)
    return answerOf(
      await writeLetter(locals.db, actorOf(who), letter, { of: of(id), files: made.files, now: locals.now }),
    )
  }),
})
