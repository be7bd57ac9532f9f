import type { Kept } from '../core/firm/records.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Stage } from '../core/ledger/stage.ts'
import type { MachineRow } from './machine-page.ts'
import type { VisitRow } from './visit-page.ts'

type Versioned<T> = T & { id: string; version: number }

/** A softener or cartridge with how large it is and whether it works. */
export type SiteSoftener = Versioned<Kept<'softener'>> & {
  stage: Stage
  treatment: string
  resinL?: number
  capacityG?: number
  bypass?: number
  regeneratesItself?: boolean
  saltGPerL?: number
  saltTankKg?: number
  /** Set by somebody, in place of what it learns. */
  capacityGPerL?: number
  reserve?: number
}

/** One site with all that stands there. */
export interface SitePage {
  firmId: string
  site: Versioned<Kept<'site'>>
  customer: { id: string; name: string }
  supply: { id: string; name: string } | null
  technician: { id: string; name: string }
  machines: MachineRow[]
  softeners: SiteSoftener[]
  /** The site's own ledger: opening days, closures, tests at the tap, remarks. */
  ledger: RecordedEntry[]
  /** Remarks left open at the site and at its machines. */
  remarks: {
    id: string
    on: string
    text: string
    about: { kind: 'site' | 'machine' | 'softener'; id: string; name: string }
  }[]
  visits: VisitRow[]
  choices: {
    customers: { id: string; name: string }[]
    supplies: { id: string; name: string }[]
    technicians: { id: string; name: string }[]
  }
}
