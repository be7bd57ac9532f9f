import type { Coordinates } from '../rounds/travel.ts'

/** Six places are a tenth of a metre. */
export const degrees = (value: number): string => String(Number(value.toFixed(6)))

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
