import { endpoint, notFound } from '../../../server/api.ts'
import { procedureOfFirm } from '../../../services/procedures.ts'

/** A procedure as a file: to look at, to change, to bring in again. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const version = Number(url.searchParams.get('version')) || undefined
  const found = await procedureOfFirm(locals.db, firm.id, params.id ?? '', version)
  if (!found) return notFound()
  return new Response(`${JSON.stringify(found.procedure, null, 1)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="procedure-${found.procedure.id}-${found.procedure.version}.json"`,
    },
  })
})
