import { type Db, lookIn, retrying, withFirm } from '../records/database.ts'
import { allKept, keptByIds } from '../records/kept.ts'
import { lockSubjects } from '../records/subjects.ts'
import type { Places, PlacesPage } from '../views/places-page.ts'
import type { Actor } from './judge-entry.ts'
import { keepInto } from './keep-record.ts'
import { nobody } from './signing-in/caller.ts'

/** So many sites are listed; all of them are fetched once there is a file to hold against them. */
const mostListed = 300

/** The first sites of the list, those nobody said the place of before the others, and who drives from where. */
export async function placesPage(db: Db, firmId: string): Promise<PlacesPage> {
  const { sites, technicians } = await placesOf(db, firmId)
  const without = sites.filter(({ place }) => !place)
  return {
    sites: [...without, ...sites.filter(({ place }) => place)].slice(0, mostListed),
    technicians,
    count: sites.length,
    without: without.length,
  }
}

/** Every site with where it is, as far as somebody said so, and who drives from where. */
export function placesOf(db: Db, firmId: string): Promise<Places> {
  return lookIn(db, firmId, async (trx) => {
    const [sites, people] = await Promise.all([allKept(trx, 'site'), allKept(trx, 'technician')])
    return {
      sites: sites
        .filter(({ retiredOn }) => !retiredOn)
        .map(({ id, name, area, latitude, longitude }) => ({
          id,
          name,
          area,
          ...(latitude !== undefined && longitude !== undefined && { place: { latitude, longitude } }),
        }))
        .sort((a, b) => a.name.localeCompare(b.name)),
      technicians: people
        .filter(({ leftOn }) => !leftOn)
        .map(({ id, name, startLatitude }) => ({ id, name, startKnown: startLatitude !== undefined })),
    }
  })
}

export interface SetPlace {
  siteId: string
  latitude: number
  longitude: number
}

/** Says of some sites where they are, all in one go; each change is in the firm’s log. @returns how many moved */
export function setPlaces(db: Db, actor: Actor, places: SetPlace[], now: Date): Promise<{ changed: number }> {
  const set = () =>
    withFirm(db, actor.firmId, async (trx) => {
      await lockSubjects(
        trx,
        places.map(({ siteId }) => siteId),
      )
      const wanted = new Map(places.map((place) => [place.siteId, place]))
      let changed = 0
      for (const { id, version, ...record } of await keptByIds(trx, 'site', [...wanted.keys()])) {
        const { latitude, longitude } = wanted.get(id)!
        if (record.latitude === latitude && record.longitude === longitude) continue
        const moved = { ...record, latitude, longitude }
        await keepInto(trx, actor, { kind: 'site', id, version, record: moved }, now, nobody)
        changed += 1
      }
      return { changed }
    })
  // Somebody changed one of them between our reading and our writing: what they changed is read, and kept.
  return retrying(set, ['stale'])
}
