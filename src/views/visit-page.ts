import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { VisitTerms } from '../core/ledger/visit-terms.ts'
import type { Comeback } from '../core/visits/comebacks.ts'

/** One machine or softener on a visit, with what was done there. */
export interface VisitSubject {
  kind: 'machine' | 'softener' | 'site'
  id: string
  name: string
  /** The machine's kind; absent for the rest. */
  machineKind?: string
  entries: RecordedEntry[]
}

/** A visit as it is listed. */
export interface VisitRow {
  visitId: string
  /** The entry that heads it: what a correction names. */
  headerId: string
  on: string
  siteId: string
  siteName: string
  area: string
  technicians: string[]
  terms?: VisitTerms
  minutes?: number
  arrivedAt?: string
  leftAt?: string
  about: VisitSubject[]
  /** Repairs of an earlier visit that this one found had not held. */
  returns: Comeback[]
  /** Repairs of this visit that came back later. */
  cameBack: Comeback[]
}

export interface VisitPage {
  rows: VisitRow[]
  next?: string
}
