import { endpoint, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { machinePassport } from '../../../../services/passport.ts'

/** One machine's history as a file, to go with it to another firm. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const id = params.id ?? ''
  const passport = isUuid(id) ? await machinePassport(locals.db, firm.id, id) : null
  if (!passport) return notFound()
  const name = passport.machine.serial.replace(/[^A-Za-z0-9-]+/g, '-') || passport.machine.id
  return new Response(`${JSON.stringify(passport, null, 1)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="passport-${name}.json"`,
    },
  })
})
