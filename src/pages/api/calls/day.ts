import { number, object, string } from 'yup'
import { localDay, uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, json, notFound, refuse } from '../../../server/api.ts'
import { callDay } from '../../../services/weeks/call-moments.ts'

const query = object({
  siteId: uuid().required(),
  on: localDay().required(),
  minutes: number().integer().min(0).max(1000).required(),
  kind: string().max(40),
}).noUnknown()

/** When somebody could go to a place on a day. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const { minutes, ...rest } = Object.fromEntries(url.searchParams)
  const parsed = parseStrict(query, { ...rest, minutes: Number(minutes) })
  if (!parsed.ok) return refuse(400, parsed.issues)
  const today = dayAt(firm.timeZone, locals.now)
  const day = await callDay(locals.db, firm.id, { ...parsed.value, today, now: locals.now })
  return day ? json(day) : notFound()
})
