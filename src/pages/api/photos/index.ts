import { object, string } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { saveLogo, savePhoto } from '../../../services/photos.ts'

const sent = object({ image: string().required().max(2_000_000), as: string().oneOf(['logo']) }).noUnknown()

/** Takes a photo, or a firm’s logo, in base64, and says under which name it is kept. Sent again it is the same one. */
export const POST = endpoint(async ({ request, locals }, { firm, technician }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(sent, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const bytes = Buffer.from(parsed.value.image, 'base64')
  try {
    const isLogo = parsed.value.as === 'logo'
    const name = await (isLogo ? saveLogo : savePhoto)(locals.db, firm.id, bytes, {
      technicianId: technician.id,
      at: locals.now,
    })
    if (name !== null) return json({ name })
    const message = isLogo
      ? 'is no logo that can be drawn: a PNG, JPEG, WebP or a plain SVG that names nothing outside itself'
      : 'is no picture this place takes: a JPEG, PNG or WebP of up to 50 million points'
    return refuse(422, [{ path: 'image', code: 'photo', message }])
  } catch (error) {
    if (!['ENOSPC', 'EDQUOT', 'EACCES', 'EROFS'].includes((error as NodeJS.ErrnoException).code ?? '')) throw error
    const message = 'could not be kept: the server has no room for photos. What you wrote is not lost'
    return refuse(507, [{ path: 'image', code: 'no_room', message }])
  }
})
