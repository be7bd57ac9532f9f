import type { Coordinates } from '../rounds/travel.ts'
import { degrees } from './place-link.ts'

/** A place on the way of a day. */
export interface WayPoint {
  name: string
  place: Coordinates
  /** Instant somebody is to be there; absent where a day begins. */
  at?: string
  note?: string
}

const escaped = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&apos;' })[sign]!)

/**
 * A way as GPX 1.1 (topografix.com/GPX/1/1): one route, its points in the order they are driven.
 * @param name - of the day
 */
export function gpxOf(name: string, points: readonly WayPoint[]): string {
  const route = points.map(
    ({ name: called, place, at, note }) =>
      `    <rtept lat="${degrees(place.latitude)}" lon="${degrees(place.longitude)}">\n${at ? `      <time>${at}</time>\n` : ''}      <name>${escaped(called)}</name>\n${note ? `      <desc>${escaped(note)}</desc>\n` : ''}    </rtept>\n`,
  )
  return `<?xml version="1.0" encoding="UTF-8"?>\n<gpx version="1.1" creator="Even Shot" xmlns="http://www.topografix.com/GPX/1/1">\n  <rte>\n    <name>${escaped(name)}</name>\n${route.join('')}  </rte>\n</gpx>\n`
}

/** A way as GeoJSON (RFC 7946): a point for each place and a line through them, longitude first. */
export function geoJsonOf(name: string, points: readonly WayPoint[]) {
  const at = ({ latitude, longitude }: Coordinates): [number, number] => [
    Number(degrees(longitude)),
    Number(degrees(latitude)),
  ]
  return {
    type: 'FeatureCollection' as const,
    features: [
      ...points.map(({ name: called, place, at: instant, note }, i) => ({
        type: 'Feature' as const,
        geometry: { type: 'Point' as const, coordinates: at(place) },
        properties: { name: called, order: i, ...(instant && { at: instant }), ...(note && { note }) },
      })),
      ...(points.length > 1
        ? [
            {
              type: 'Feature' as const,
              geometry: { type: 'LineString' as const, coordinates: points.map(({ place }) => at(place)) },
              properties: { name },
            },
          ]
        : []),
    ],
  }
}
