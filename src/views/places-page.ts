import type { Coordinates } from '../core/rounds/travel.ts'

export interface PlacesPage {
  sites: { id: string; name: string; area: string; place?: Coordinates }[]
  technicians: { id: string; name: string; startKnown: boolean }[]
}
