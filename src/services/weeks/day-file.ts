import { geoJsonOf, gpxOf, type WayPoint } from '../../core/files/day-files.ts'
import { instantAt } from '../../core/quantity/site-time.ts'
import { asDriven } from '../../core/rounds/as-driven.ts'
import type { DayPage } from '../../views/day-page.ts'

/** A day’s way as files take it: where it begins, each stop still to come with when somebody is there, home. */
function wayOf(page: DayPage, technicianId: string): { name: string; points: WayPoint[] } | null {
  const person = page.people.find(({ id }) => id === technicianId)
  if (!person) return null
  const travelMin = page.roads.map((row) => row.map(({ minutes }) => minutes))
  const stops = page.stops.map(({ serviceMin, open }, place) => ({ place, serviceMin, open }))
  const { stops: timed } = asDriven({ travelMin, stops, outings: [person.outing] }, person.outing, person.order)
  const midnight = Date.parse(instantAt(page.timeZone, page.on, '00:00'))
  const start = person.start ? [{ name: person.name, place: person.start }] : []
  return {
    name: `${page.on} ${person.name}`,
    points: [
      ...start,
      ...timed.flatMap(({ stop, beginMin }): WayPoint[] => {
        const { place, name, address } = page.stops[stop]!
        const at = new Date(midnight + Math.round(beginMin) * 60_000).toISOString()
        // No telephone number and no word on keys: files are passed on.
        return place ? [{ name, place, at, ...(address && { note: address }) }] : []
      }),
      ...start,
    ],
  }
}

/** A day’s way as GPX; null where nobody of that id is there. */
export function dayAsGpx(page: DayPage, technicianId: string): string | null {
  const way = wayOf(page, technicianId)
  return way && gpxOf(way.name, way.points)
}

/** The same as GeoJSON. */
export function dayAsGeoJson(page: DayPage, technicianId: string): ReturnType<typeof geoJsonOf> | null {
  const way = wayOf(page, technicianId)
  return way && geoJsonOf(way.name, way.points)
}
