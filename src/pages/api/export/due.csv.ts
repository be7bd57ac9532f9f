import { number, object } from 'yup'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, refuse } from '../../../server/api.ts'
import { streamed } from '../../../server/stream.ts'
import { dueCsv } from '../../../services/export-csv.ts'

const query = object({ days: number().integer().min(0).max(3660) }).noUnknown()

/** What is due within some days, or at all, as a spreadsheet. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const asked = url.searchParams.get('days')
  const others = [...url.searchParams.keys()].filter((name) => name !== 'days')
  const parsed = parseStrict(query, {
    ...(asked !== null && { days: Number(asked) }),
    ...Object.fromEntries(others.map((name) => [name, true])),
  })
  if (!parsed.ok) return refuse(400, parsed.issues)
  const today = dayAt(firm.timeZone, locals.now)
  return streamed('text/csv; charset=utf-8', `due-${today}.csv`, (write) =>
    dueCsv(locals.db, firm.id, today, parsed.value.days ?? null, write),
  )
})
