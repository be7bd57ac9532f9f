import { planningFigures as figures } from '../trade/planning-figures.ts'

/** A place on the earth, degrees. */
export interface Coordinates {
  latitude: number
  longitude: number
}

/** Mean radius of the earth, km (IUGG, Moritz 1980). */
const earthKm = 6371.0088

/** Along the great circle, km (haversine). @example greatCircleKm({latitude: 0, longitude: 0}, {latitude: 1, longitude: 0}) // 111.195 */
export function greatCircleKm(a: Coordinates, b: Coordinates): number {
  const rad = Math.PI / 180
  const dLat = (b.latitude - a.latitude) * rad
  const dLon = (b.longitude - a.longitude) * rad
  const h = Math.sin(dLat / 2) ** 2 + Math.cos(a.latitude * rad) * Math.cos(b.latitude * rad) * Math.sin(dLon / 2) ** 2
  return 2 * earthKm * Math.asin(Math.min(1, Math.sqrt(h)))
}

/** How roads are reckoned where nobody drove them. All from memory, each can be set. */
export interface RoadFigures {
  /** Road over crow’s flight. */
  detour: number
  /** km/h on the first 5 km of a road, to 20 km, beyond. */
  speeds: readonly [near: number, middle: number, far: number]
  /** To park and get to the door, at each stop. */
  parkMin: number
}

export const usualRoads: RoadFigures = {
  detour: figures.detour.value,
  speeds: [figures.kmhNear.value, figures.kmhMiddle.value, figures.kmhFar.value],
  parkMin: figures.park.value,
}

/** Ends of the first two distance classes, km of road. */
const classEndsKm = [5, 20] as const

/** Near, middle or far: how a road of so many km counts when speeds are learned. */
const distanceClass = (roadKm: number): 0 | 1 | 2 => (roadKm <= classEndsKm[0] ? 0 : roadKm <= classEndsKm[1] ? 1 : 2)

/**
 * Minutes of driving a road: each stretch at the speed of its class, so that a longer road never takes less.
 * @example drivingMin(20) // 5 km at 25 km/h and 15 km at 45 km/h: 32
 */
export function drivingMin(roadKm: number, { speeds }: Pick<RoadFigures, 'speeds'> = usualRoads): number {
  const [near, middle] = classEndsKm
  const stretches = [Math.min(roadKm, near), Math.min(roadKm, middle) - near, roadKm - middle]
  return stretches.reduce((sum, km, i) => sum + (Math.max(0, km) / speeds[i]!) * 60, 0)
}

const roadKm = (a: Coordinates, b: Coordinates, { detour }: Pick<RoadFigures, 'detour'> = usualRoads): number =>
  greatCircleKm(a, b) * detour

/** A drive between two places that somebody made, or that somebody typed in. */
export interface DrivenRoad {
  from: string
  to: string
  minutes: number
}

/** Where the minutes of a road come from. */
export type RoadOrigin = 'typed' | 'driven' | 'class' | 'reckoned' | 'unknown'

export interface Road {
  minutes: number
  origin: RoadOrigin
  km?: number
}

/** Minutes on the road to a place nobody knows where it is. From memory. */
const unknownRoadMin = 20

/** From so many drives on, what was driven counts instead of what is reckoned. */
const enoughDrives = 5

/**
 * How long the road between any two places takes: what somebody typed for the pair (either way round), else the median
 * of what was driven between them, else as reckoned, times what drives of such a distance took beside the reckoning.
 *
 * @param places - by id; one without coordinates is `unknownRoadMin` away from all
 * @param typed - a pair put right by hand, or read from a table
 * @param driven - arrivals and departures, parking included
 */
export function roads(
  places: ReadonlyMap<string, Coordinates | null>,
  {
    typed = [],
    driven = [],
    figures = usualRoads,
  }: { typed?: readonly DrivenRoad[]; driven?: readonly DrivenRoad[]; figures?: RoadFigures },
): (from: string, to: string) => Road {
  const pair = (from: string, to: string) => (from < to ? `${from} ${to}` : `${to} ${from}`)
  const known = new Map(typed.map(({ from, to, minutes }) => [pair(from, to), minutes]))
  const drives = new Map<string, number[]>()
  const ratios: [number[], number[], number[]] = [[], [], []]
  const reckoned = (from: string, to: string) => {
    const [a, b] = [places.get(from), places.get(to)]
    if (!a || !b) return null
    const km = roadKm(a, b, figures)
    return { km, minutes: drivingMin(km, figures) + figures.parkMin }
  }
  for (const { from, to, minutes } of driven) {
    const key = pair(from, to)
    drives.set(key, [...(drives.get(key) ?? []), minutes])
    const usual = reckoned(from, to)
    if (usual && from !== to) ratios[distanceClass(usual.km)].push(minutes / usual.minutes)
  }
  const pace = ratios.map((all) => (all.length >= enoughDrives ? median(all) : null))
  return (from, to) => {
    if (from === to) return { minutes: 0, origin: 'reckoned', km: 0 }
    const key = pair(from, to)
    const usual = reckoned(from, to)
    const km = usual ? { km: usual.km } : {}
    const own = known.get(key)
    if (own !== undefined) return { minutes: own, origin: 'typed', ...km }
    const made = drives.get(key)
    if (made && made.length >= enoughDrives) return { minutes: median(made), origin: 'driven', ...km }
    if (!usual) return { minutes: unknownRoadMin, origin: 'unknown' }
    const factor = pace[distanceClass(usual.km)]
    return factor ? { minutes: usual.minutes * factor, origin: 'class', ...km } : { ...usual, origin: 'reckoned' }
  }
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}
