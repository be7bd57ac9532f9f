import type { Coordinates } from '../rounds/travel.ts'
import { readNumber } from '../typed/read-number.ts'
import { readPlace } from './place-link.ts'

export interface NamedPlace extends Coordinates {
  name: string
}

/** A road as somebody else’s table has it, minutes. */
export interface NamedRoad {
  from: string
  to: string
  minutes: number
}

/** What a file says of places and of the roads between them, and what in it could not be read, each in words. */
export interface PlaceList {
  places: NamedPlace[]
  roads: NamedRoad[]
  wrong: string[]
}

const heads = {
  name: ['name', 'site', 'place', 'customer', 'stop'],
  latitude: ['latitude', 'lat', 'y'],
  longitude: ['longitude', 'lon', 'lng', 'long', 'x'],
  link: ['link', 'geo', 'map', 'coordinates', 'position', 'where'],
  from: ['from', 'origin', 'start'],
  to: ['to', 'destination', 'end'],
  minutes: ['minutes', 'min', 'duration', 'time'],
} as const

/** Longer than any road in a day. */
const longestMin = 600

/**
 * A table of places (a name with latitude and longitude, or with a map’s link), of roads (from, to, minutes), or a whole
 * matrix of minutes: names in its first line and its first column.
 *
 * @param lines - cells as they stand in the file, the head first
 */
export function readPlaceTable(lines: readonly (readonly string[])[]): PlaceList {
  const [head = [], ...rows] = lines
  const at = (what: keyof typeof heads) =>
    head.findIndex((cell) => (heads[what] as readonly string[]).includes(plainHead(cell)))
  const [name, latitude, longitude, link] = [at('name'), at('latitude'), at('longitude'), at('link')]
  if (name >= 0 && latitude >= 0 && longitude >= 0)
    return placesIn(rows, name, (row) => pairOf(row[latitude] ?? '', row[longitude] ?? ''))
  if (name >= 0 && link >= 0) return placesIn(rows, name, (row) => readPlace(row[link] ?? ''))
  const [from, to, minutes] = [at('from'), at('to'), at('minutes')]
  if (from >= 0 && to >= 0 && minutes >= 0)
    return roadsIn(rows.map((row) => [row[from] ?? '', row[to] ?? '', row[minutes] ?? ''] as const))
  if (isMatrix(lines))
    return roadsIn(rows.flatMap((row) => head.slice(1).map((other, i) => [row[0]!, other, row[i + 1] ?? ''] as const)))
  return {
    places: [],
    roads: [],
    wrong: [
      'No column is called name with latitude and longitude, none from, to and minutes, and it is no square of names with minutes in it.',
    ],
  }
}

const plainHead = (cell: string): string =>
  cell
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim()

function pairOf(latitude: string, longitude: string): Coordinates | null {
  const [lat, lon] = [number(latitude, -90, 90), number(longitude, -180, 180)]
  return lat === null || lon === null ? null : { latitude: lat, longitude: lon }
}

function number(text: string, from: number, to: number): number | null {
  const read = readNumber(text, { from, to })
  return read.is === 'value' && read.value >= from && read.value <= to ? read.value : null
}

function placesIn(
  rows: readonly (readonly string[])[],
  name: number,
  placeOf: (row: readonly string[]) => Coordinates | null,
): PlaceList {
  const list: PlaceList = { places: [], roads: [], wrong: [] }
  for (const row of rows) {
    const called = (row[name] ?? '').trim()
    if (!called) continue
    const place = placeOf(row)
    if (place) list.places.push({ name: called, ...place })
    else list.wrong.push(`${called}: no latitude and longitude that can be read.`)
  }
  return list
}

/** Both ways between two places are one road: where they differ, their middle. A place to itself is none. */
function roadsIn(rows: readonly (readonly [from: string, to: string, minutes: string])[]): PlaceList {
  const found = new Map<string, { from: string; to: string; all: number[] }>()
  const wrong: string[] = []
  for (const [a, b, text] of rows) {
    const [from, to] = [a.trim(), b.trim()]
    if (!from || !to || from === to || text.trim() === '') continue
    const minutes = number(text, 0, longestMin)
    if (minutes === null) {
      wrong.push(`${from} to ${to}: “${text.trim().slice(0, 40)}” is no time on the road, 0 to ${longestMin} min.`)
      continue
    }
    const key = [from, to].sort().join('\n')
    const road = found.get(key) ?? { from, to, all: [] }
    road.all.push(minutes)
    found.set(key, road)
  }
  const roads = [...found.values()].map(({ from, to, all }) => ({
    from,
    to,
    minutes: Math.round(all.reduce((sum, one) => sum + one, 0) / all.length),
  }))
  return { places: [], roads, wrong }
}

/** Names across and the same names down, at least two of them, with a figure somewhere. */
function isMatrix([head = [], ...rows]: readonly (readonly string[])[]): boolean {
  const across = head.slice(1).map((cell) => cell.trim())
  const down = rows.map((row) => (row[0] ?? '').trim())
  const both = across.filter((name) => name !== '' && down.includes(name))
  return both.length >= 2 && rows.some((row) => row.slice(1).some((cell) => number(cell, 0, longestMin) !== null))
}

/**
 * The points of a GeoJSON file (RFC 7946), longitude first as it wants, each under the name it bears.
 * @param text - the file’s
 */
export function readGeoJson(text: string): PlaceList {
  const list: PlaceList = { places: [], roads: [], wrong: [] }
  let file: unknown
  try {
    file = JSON.parse(text)
  } catch {
    return { ...list, wrong: ['This is no JSON that can be read.'] }
  }
  const features = (file as { features?: unknown })?.features
  if (!Array.isArray(features)) return { ...list, wrong: ['This JSON is no GeoJSON with features in it.'] }
  for (const feature of features as GeoFeature[]) {
    if (feature?.geometry?.type !== 'Point') continue
    const called = nameIn(feature.properties)
    if (!called) {
      list.wrong.push('A point has no name: its properties say neither name nor title.')
      continue
    }
    const [longitude, latitude] = Array.isArray(feature.geometry.coordinates) ? feature.geometry.coordinates : []
    if (isWithin(latitude, 90) && isWithin(longitude, 180)) list.places.push({ name: called, latitude, longitude })
    else list.wrong.push(`${called}: its coordinates are none on this earth.`)
  }
  return list
}

interface GeoFeature {
  geometry?: { type?: unknown; coordinates?: unknown[] } | null
  properties?: Record<string, unknown> | null
}

const nameIn = (properties: GeoFeature['properties']): string => {
  const name = properties?.name ?? properties?.title ?? properties?.site
  return typeof name === 'string' ? name.trim() : ''
}

const isWithin = (value: unknown, most: number): value is number => typeof value === 'number' && Math.abs(value) <= most

/** A name as lists write it: capitals, accents and marks make no other of it. @example sameName('Thistle & Rye') === sameName('thistle &  rye') */
export const sameName = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
