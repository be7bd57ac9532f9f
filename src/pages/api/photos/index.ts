import { object, string } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { savePhoto } from '../../../services/photos.ts'

const sent = object({ image: string().required().max(2_000_000) }).noUnknown()

/** Takes a photo, in base64, and says under which name it is kept. Sent again it is the same one. */
export const POST = endpoint(async ({ request, locals }, { firm, technician }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(sent, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const bytes = Buffer.from(parsed.value.image, 'base64')
  const name = await savePhoto(locals.db, firm.id, bytes, { technicianId: technician.id, at: locals.now })
  return name === null ? refuse(422, [{ path: 'image', code: 'photo', message: 'is no picture' }]) : json({ name })
})
