import { number, object } from 'yup'
import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { endpoint, json, notFound, readJson, refuse } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { editMachine } from '../../../../services/machines.ts'

const change = object({
  version: number().integer().min(1).required(),
  names: object().required(),
}).noUnknown()

/** Changes a machine's names, unless they changed since the given version. */
export const POST = endpoint(async ({ params, request, locals }, { firm }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(change, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  const id = params.id ?? ''
  if (!isUuid(id)) return notFound()
  const { version } = parsed.value
  const edited = await editMachine(locals.db, firm.id, id, version, (read.body as { names: unknown }).names)
  if (edited.ok) return json({ version: edited.version })
  if (edited.reason === 'unknown') return notFound()
  return refuse(edited.reason === 'stale' ? 409 : 422, edited.issues)
})
