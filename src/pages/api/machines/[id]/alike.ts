import { endpoint, json, notFound } from '../../../../server/api.ts'
import { alikeCases } from '../../../../services/alike-cases.ts'
import { isUuid } from '../../../../services/cursor.ts'

/** What other machines of its kind turned out to have. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const id = params.id ?? ''
  const cases = isUuid(id) ? await alikeCases(locals.db, firm.id, id) : null
  return cases ? json(cases) : notFound()
})
