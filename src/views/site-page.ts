import type { Kept } from '../core/firm/records.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Stage } from '../core/ledger/stage.ts'
import type { TreatmentKind } from '../core/softener/treatment-kind.ts'
import type { MonthsSeen } from '../core/usage/months-seen.ts'
import type { Minerals } from '../core/water/treatment.ts'
import type { MachineRow } from './machine-page.ts'
import type { VisitRow } from './visit-page.ts'

type Versioned<T> = T & { id: string; version: number }

/** What a site's water is led through, with how large it is and whether it works. */
export type SiteSoftener = Versioned<Kept<'softener'>> & {
  stage: Stage
  /** Absent before it is taken on. */
  treatment?: TreatmentKind
  resinL?: number
  capacityG?: number
  bypass?: number
  /** Of raw water mixed in behind a membrane. */
  rawShare?: number
  rejectLPerL?: number
  dosed?: Minerals
  /** Carbon before it, or carbon alone. */
  prefilter?: { litres?: number; catalytic?: boolean }
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
  customer: { id: string } & Pick<Kept<'customer'>, 'name' | 'contact' | 'phone' | 'email'>
  supply: { id: string; name: string } | null
  technician: { id: string; name: string }
  machines: MachineRow[]
  softeners: SiteSoftener[]
  /** The site's own ledger: opening days, closures, tests at the tap, remarks. */
  ledger: RecordedEntry[]
  /** What its machines' counters say of its months; nothing below eleven months of readings. */
  monthsSeen: MonthsSeen | null
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
