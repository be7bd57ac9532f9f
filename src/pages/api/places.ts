import { array, object } from 'yup'
import { finite, uuid } from '../../core/parse/fields.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { actorOf, endpoint, json, readJson, refuse } from '../../server/api.ts'
import { placesOf, setPlaces } from '../../services/places.ts'

/** More sites than a firm that is planned together has. */
const mostPlaces = 2000

const body = object({
  places: array(
    object({
      siteId: uuid().required(),
      latitude: finite().min(-90).max(90).required(),
      longitude: finite().min(-180).max(180).required(),
    })
      .noUnknown()
      .required(),
  )
    .min(1)
    .max(mostPlaces)
    .required(),
}).noUnknown()

/** Where every site is, and who drives from where: what a file is held against. */
export const GET = endpoint(async ({ locals }, { firm }) => json(await placesOf(locals.db, firm.id)))

/** Says of some sites where they are. The same again changes nothing. */
export const PUT = endpoint(async ({ request, locals }, who) => {
  const read = await readJson(request)
  if (!read.ok) return read.response
  const parsed = parseStrict(body, read.body)
  if (!parsed.ok) return refuse(400, parsed.issues)
  return json(await setPlaces(locals.db, actorOf(who), parsed.value.places, locals.now))
})
