import { endpoint, json, notFound } from '../../../../server/api.ts'
import { smallPhoto } from '../../../../services/photos.ts'

/** A photo, small, for a device to take along. What a name stands for never changes: it is drawn once a device. */
export const GET = endpoint(async ({ params, request, locals }, { firm }) => {
  const etag = `"small ${params.name}"`
  const headers = { etag, 'cache-control': 'private, no-cache', vary: 'cookie' }
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers })
  const data = await smallPhoto(locals.db, firm.id, params.name ?? '')
  if (!data) return notFound()
  const answer = json({ image: data.toString('base64') })
  for (const [name, value] of Object.entries(headers)) answer.headers.set(name, value)
  return answer
})
