import { checkKind } from '../../../core/kinds/check-kind.ts'
import { endpoint, json, readJson, refuse } from '../../../server/api.ts'
import { kindMoves } from '../../../services/kinds.ts'

/** What a kind of machine would move, before it is kept; a kind that cannot be is refused at its places. */
export const POST = endpoint(async ({ request, locals }, { firm }) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const checked = checkKind(read.body)
  return checked.ok ? json(await kindMoves(locals.db, firm.id, checked.value)) : refuse(422, checked.issues)
})
