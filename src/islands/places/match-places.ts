import { type PlaceList, sameName } from '../../core/files/place-lists.ts'
import { type Coordinates, greatCircleKm } from '../../core/rounds/travel.ts'
import type { Places } from '../../views/places-page.ts'

/** A place of a file and the site that bears its name. */
export interface MatchedPlace {
  siteId: string
  name: string
  place: Coordinates
  /** How far from where the site is said to be now, km; null where nobody said so. */
  movesKm: number | null
}

export interface MatchedRoad {
  fromId: string
  fromName: string
  toId: string
  toName: string
  minutes: number
}

export interface Matched {
  places: MatchedPlace[]
  roads: MatchedRoad[]
  /** Names that no site, or more than one, bears. */
  unknown: string[]
  wrong: string[]
}

/** Nearer than this it is the same place, km. */
const samePlaceKm = 0.005

/** What a file says, by the sites and people of the firm that bear its names. A road begins at a site. */
export function matchPlaces(list: PlaceList, page: Places): Matched {
  const bearing = (name: string) => page.sites.filter((site) => sameName(site.name) === sameName(name))
  const unknown = new Set<string>()
  const siteOf = (name: string) => {
    const those = bearing(name)
    return those.length === 1 ? those[0]! : null
  }
  const personOf = (name: string) => page.technicians.find((one) => sameName(one.name) === sameName(name)) ?? null
  const places = list.places.flatMap(({ name, latitude, longitude }): MatchedPlace[] => {
    const site = siteOf(name)
    if (!site) unknown.add(name)
    const place = { latitude, longitude }
    const movesKm = site?.place ? greatCircleKm(site.place, place) : null
    return site && (movesKm === null || movesKm > samePlaceKm)
      ? [{ siteId: site.id, name: site.name, place, movesKm }]
      : []
  })
  const roads = list.roads.flatMap(({ from, to, minutes }): MatchedRoad[] => {
    const ends = [from, to].map((name) => siteOf(name) ?? personOf(name))
    for (const [i, name] of [from, to].entries()) if (!ends[i]) unknown.add(name)
    const [a, b] = ends
    // It is kept with a site: where a day begins is the other end.
    const [first, other] = siteOf(from) ? [a, b] : [b, a]
    return first && other && page.sites.some(({ id }) => id === first.id)
      ? [{ fromId: first.id, fromName: first.name, toId: other.id, toName: other.name, minutes }]
      : []
  })
  return { places, roads, unknown: [...unknown], wrong: list.wrong }
}
