import type { APIRoute } from 'astro'
import { openHere, pathHere } from '../../../server/at-the-machine.ts'
import { arrivedHeader } from '../../../server/door.ts'
import { here } from '../../../server/public-address.ts'
import { takePhoto } from '../../../services/customers/photo.ts'

/** Takes a photo of what was reported, and goes back to the page of the machine. */
export const POST: APIRoute = async (context) => {
  const { request, locals, clientAddress } = context
  const opened = await openHere(context)
  const path = request.headers.get(arrivedHeader)
  if (opened?.opens !== 'machine' || !path) return context.redirect(pathHere(context), 303)
  const said = await takePhoto(
    locals.db,
    opened.there,
    { path, type: request.headers.get('content-type') ?? '' },
    { now: locals.now, address: here.addressOf(request, clientAddress) },
  )
  return context.redirect(pathHere(context, '', { said }), 303)
}
