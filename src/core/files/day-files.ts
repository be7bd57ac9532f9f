import type { Coordinates } from '../rounds/travel.ts'

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

/** Six places are a tenth of a metre. */
const degrees = (value: number): string => String(Number(value.toFixed(6)))

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

/**
 * What opens a place in whatever navigation a phone has (RFC 5870).
 * @example geoLink({ latitude: 44.5, longitude: -31.2 }) // 'geo:44.5,-31.2'
 */
export const geoLink = ({ latitude, longitude }: Coordinates): string =>
  `geo:${degrees(latitude)},${degrees(longitude)}`

/**
 * A place as somebody pasted it: a `geo:` link, the address of a map, or two numbers, north first.
 *
 * @returns null where no two numbers can be a latitude and a longitude
 * @example readPlace('geo:44.5,-31.2?z=17') // { latitude: 44.5, longitude: -31.2 }
 * @example readPlace('https://maps.example/@44.5,-31.2,17z') // the same
 * @example readPlace('44.5 N, 31.2 W') // the same
 */
export function readPlace(text: string): Coordinates | null {
  const typed = text.trim()
  const named = /[?&#](?:mlat|lat|latitude)=(-?\d+(?:\.\d+)?).*?[?&](?:mlon|lon|lng|longitude)=(-?\d+(?:\.\d+)?)/i.exec(
    typed,
  )
  // What is asked for comes before where the map was: `geo:0,0?q=…` names a place by its question.
  const asked =
    /[?&](?:q|ll|query|daddr|destination|center)=(?:loc:)?(-?\d+(?:\.\d+)?)(?:,|%2C)(-?\d+(?:\.\d+)?)/i.exec(typed)
  const shown = /(?:geo:|@|#map=\d+(?:\.\d+)?\/|!3d)(-?\d+(?:\.\d+)?)(?:,|\/|!4d)(-?\d+(?:\.\d+)?)/i.exec(typed)
  const plain = /^(-?\d+(?:\.\d+)?)\s*°?\s*([NS])?\s*[,;\s]\s*(-?\d+(?:\.\d+)?)\s*°?\s*([EWO])?$/i.exec(typed)
  if (named) return asPlace(Number(named[1]), Number(named[2]))
  const linked = asked ?? shown
  if (linked) return asPlace(Number(linked[1]), Number(linked[2]))
  if (!plain) return null
  const [, north, ns, east, ew] = plain
  const south = /s/i.test(ns ?? '') ? -1 : 1
  const west = /w/i.test(ew ?? '') ? -1 : 1
  return asPlace(Number(north) * south, Number(east) * west)
}

const asPlace = (latitude: number, longitude: number): Coordinates | null =>
  Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180 ? { latitude, longitude } : null
