import { endpoint, jsonOnce, notFound } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { recordById } from '../../../../services/records.ts'
import { stripDownNotes } from '../../../../services/strip-down-notes.ts'

/** What was noted while machines of its kind were in pieces. */
export const GET = endpoint(async ({ params, request, locals }, { firm }) => {
  const id = params.id ?? ''
  const machine = isUuid(id) ? await recordById(locals.db, firm.id, 'machine', id) : null
  if (!machine) return notFound()
  return jsonOnce(request, { noted: await stripDownNotes(locals.db, firm.id, machine.kind) })
})
