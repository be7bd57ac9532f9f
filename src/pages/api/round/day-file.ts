import { object, string } from 'yup'
import { localDay, uuid } from '../../../core/parse/fields.ts'
import { parseStrict } from '../../../core/parse/parse-strict.ts'
import { dayAt } from '../../../core/quantity/site-time.ts'
import { endpoint, refuse } from '../../../server/api.ts'
import { dayPage } from '../../../services/weeks/day.ts'
import { dayAsGeoJson, dayAsGpx } from '../../../services/weeks/day-file.ts'

const query = object({
  on: localDay().required(),
  who: uuid().required(),
  as: string().oneOf(['gpx', 'geojson']).required(),
}).noUnknown()

/** A technician’s day as a file: GPX 1.1 or GeoJSON. */
export const GET = endpoint(async ({ url, locals }, { firm }) => {
  const parsed = parseStrict(query, Object.fromEntries(url.searchParams))
  if (!parsed.ok) return refuse(400, parsed.issues)
  const { on, who, as } = parsed.value
  const page = await dayPage(locals.db, firm.id, {
    on,
    today: dayAt(firm.timeZone, locals.now),
    now: locals.now,
    technicianId: who,
  })
  const text = as === 'gpx' ? dayAsGpx(page, who) : JSON.stringify(dayAsGeoJson(page, who))
  if (text === null || text === 'null')
    return refuse(404, [{ path: 'who', code: 'unknown', message: 'is nobody of this firm on that day', value: who }])
  return new Response(text, {
    headers: {
      'content-type': as === 'gpx' ? 'application/gpx+xml; charset=utf-8' : 'application/geo+json',
      'content-disposition': `attachment; filename="day-${on}.${as}"`,
    },
  })
})
