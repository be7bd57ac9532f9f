import { endpoint, notFound } from '../../../server/api.ts'
import { kindOfFirm } from '../../../services/kinds.ts'

/** A kind of machine as a file: to look at, to change, to bring in again. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const found = await kindOfFirm(locals.db, firm.id, params.id ?? '')
  if (!found) return notFound()
  return new Response(`${JSON.stringify(found.kind, null, 1)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="kind-${found.kind.id}.json"`,
    },
  })
})
