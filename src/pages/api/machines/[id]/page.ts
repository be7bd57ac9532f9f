import { actorOf, answerOf, endpoint, json, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { endPageAddress, makePageAddress, pageAddress } from '../../../../services/customers/addresses.ts'

/** The customer's page of a machine: whether it has an address, and the word of the place. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '' } = params
  const page = isUuid(id) ? await pageAddress(locals.db, firm.id, 'machine', id) : null
  return page ? json(page) : notFound()
})

/** Gives it an address; the one before opens nothing any more. */
export const POST = endpoint(async ({ params, locals }, who) => {
  const { id = '' } = params
  return isUuid(id) ? answerOf(await makePageAddress(locals.db, actorOf(who), 'machine', id, locals.now)) : notFound()
})

/** Its address opens nothing any more. */
export const DELETE = endpoint(async ({ params, locals }, who) => {
  const { id = '' } = params
  return isUuid(id) ? answerOf(await endPageAddress(locals.db, actorOf(who), id, locals.now)) : notFound()
})
