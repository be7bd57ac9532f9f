import { parseStrict } from '../../../../core/parse/parse-strict.ts'
import { askedTreatment, treatmentAsked } from '../../../../core/standing/water/asked-treatment.ts'
import { endpoint, json, notFound, refuse } from '../../../../server/api.ts'
import { isUuid } from '../../../../services/cursor.ts'
import { yearWith } from '../../../../services/year-of-water.ts'

/** A site's year of water with every machine behind a treatment that is only thought of. */
export const GET = endpoint(async ({ params, url, locals }, { firm }) => {
  const id = params.id ?? ''
  const asked = Object.fromEntries(
    [...url.searchParams].map(([name, value]) => [
      name,
      name === 'kind' || value.trim() === '' ? value : Number(value),
    ]),
  )
  const parsed = parseStrict(askedTreatment, asked)
  if (!parsed.ok) return refuse(422, parsed.issues)
  const year = isUuid(id) ? await yearWith(locals.db, firm.id, id, treatmentAsked(parsed.value)) : null
  return year ? json(year) : notFound()
})
