import { object, string } from 'yup'
import { listedStages } from '../../../core/ledger/stage.ts'
import { uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { endpoint, json, refuse } from '../../../server/api.ts'
import { machinePage } from '../../../services/machines.ts'

const query = object({
  text: string().max(200),
  siteId: uuid(),
  kind: string().max(40),
  cursor: string().max(1000),
  /** Those in the workshop, or out of service, alone. */
  stage: string().oneOf(listedStages),
}).noUnknown()

/** The firm's machines, a page at a time. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  return json(await machinePage(locals.db, firm.id, parsed.value))
})
