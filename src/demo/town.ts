import type { DemoSite } from './world.ts'

/** The yard lies in the middle of an ocean: no map shows a town there. */
export const yardAt = { latitude: 44.5, longitude: -31.2 }

/** A place of the made-up town on the earth, to about a metre. */
export function placeAt([east, north]: readonly [east: number, north: number]) {
  const kmPerDegree = 111.195
  const round = (degrees: number) => Math.round(degrees * 1e5) / 1e5
  return {
    latitude: round(yardAt.latitude + north / kmPerDegree),
    longitude: round(yardAt.longitude + east / (kmPerDegree * Math.cos((yardAt.latitude * Math.PI) / 180))),
  }
}

/** Each water zone: hardness by month, °dH total, the carbonate share, and what the works print besides. */
export const zoneWater: Record<
  DemoSite['area'],
  {
    name: string
    note: string
    totalDh(month: number): number
    carbonateShare: number
    pH: number
    chlorideMgL: number
    silicaMgL: number
    /** Conductivity without its hardness, µS/cm. */
    restUsCm: number
  }
> = {
  Chalkside: {
    name: 'Chalkside wells',
    note: 'Three wells in the chalk, the same all year.',
    totalDh: () => 19,
    carbonateShare: 0.79,
    ...{ pH: 7.3, chlorideMgL: 24, silicaMgL: 8, restUsCm: 20 },
  },
  Moorside: {
    name: 'Moorside reservoir',
    note: 'Surface water off the moor, soft and a little acid.',
    totalDh: () => 3,
    carbonateShare: 0.85,
    ...{ pH: 7.1, chlorideMgL: 9, silicaMgL: 4, restUsCm: 15 },
  },
  // Well water is mixed in when the reservoir runs low: hard in late summer.
  Millrace: {
    name: 'Millrace mixing works',
    note: 'Blended, and the mix follows the season.',
    totalDh: (month) => 11 + 3 * Math.sin(((month - 5) / 12) * 2 * Math.PI),
    carbonateShare: 0.8,
    ...{ pH: 7.6, chlorideMgL: 36, silicaMgL: 11, restUsCm: 70 },
  },
}
