import { actorOf, endpoint, endpointOf, json } from '../../server/api.ts'
import { here } from '../../server/public-address.ts'
import { endCalendar, makeCalendar, ownCalendarSince } from '../../services/calendar.ts'

/** Since when I have a calendar address; null where I have none. */
export const GET = endpoint(async ({ locals }, who) => json({ since: await ownCalendarSince(locals.db, actorOf(who)) }))

/** A new secret address for my calendar, shown this once; the one before opens nothing any more. */
export const POST = endpointOf('work', async ({ request, locals }, who) => {
  const { token } = await makeCalendar(locals.db, actorOf(who))
  return json({ address: `${here.originOf(request)}/calendar/${token}.ics` })
})

/** The address opens nothing any more. */
export const DELETE = endpointOf('work', async ({ locals }, who) => {
  await endCalendar(locals.db, actorOf(who))
  return json({})
})
