import { dayAt } from '../../core/quantity/site-time.ts'
import { endpoint, json } from '../../server/api.ts'
import { isUuid } from '../../services/cursor.ts'
import { packingList } from '../../services/packing-list.ts'

/** More than these are not named by an address. */
const mostNamed = 50

const idsIn = (asked: string | null): string[] => (asked ?? '').split(',').filter(isUuid).slice(0, mostNamed)

/** What a device takes along for whoever is signed in. */
export const GET = endpoint(async ({ url, locals }, { firm, technician }) => {
  const { id, name, timeZone, preferences } = firm
  return json(
    await packingList(locals.db, {
      technician: { id: technician.id, name: technician.name, initials: technician.initials },
      firm: { id, name, timeZone, preferences },
      today: dayAt(timeZone, locals.now),
      now: locals.now,
      keptSites: idsIn(url.searchParams.get('sites')),
      opened: idsIn(url.searchParams.get('machines')),
    }),
  )
})
