import { endpoint, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { mailboxFile } from '../../../../services/letters/mailbox.ts'

/** A paper out of a letter in the mailbox: to be kept, never to be run here. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const { id = '', n = '' } = params
  const file = isUuid(id) && /^\d{1,2}$/.test(n) ? await mailboxFile(locals.db, firm.id, id, Number(n)) : null
  if (!file) return notFound()
  return new Response(new Uint8Array(file.bytes), {
    headers: {
      'content-type': 'application/octet-stream',
      'content-disposition': `attachment; filename="${file.name.replaceAll(/[^\w.-]/g, '-')}"`,
    },
  })
})
