import { actorOf, answerOf, endpoint, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { sendAgain } from '../../../../services/letters/write-letter.ts'

/** Tries a letter anew that was refused. */
export const POST = endpoint(async ({ params, locals }, who) => {
  const { id = '' } = params
  return isUuid(id) ? answerOf(await sendAgain(locals.db, actorOf(who), id, locals.now)) : notFound()
})
