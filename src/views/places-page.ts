import type { Coordinates } from '../core/rounds/travel.ts'

/** Where everything is that a file may name. */
export interface Places {
  sites: { id: string; name: string; area: string; place?: Coordinates }[]
  technicians: { id: string; name: string; startKnown: boolean }[]
}

/** The same for a page: only so many sites of it. */
export interface PlacesPage extends Places {
  /** Of all sites, and of those nobody said the place of. */
  count: number
  without: number
}
