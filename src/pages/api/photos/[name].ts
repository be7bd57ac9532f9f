import { endpoint, notFound } from '../../../server/api.ts'
import { photoFile } from '../../../services/photos.ts'

/** A photo of this firm. What a name stands for never changes. */
export const GET = endpoint(async ({ params, locals }, { firm }) => {
  const file = await photoFile(locals.db, firm.id, params.name ?? '')
  if (!file) return notFound()
  return new Response(new Uint8Array(file), {
    headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' },
  })
})
