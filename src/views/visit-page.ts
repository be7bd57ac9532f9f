import type { Kind } from '../core/kinds/kind.ts'
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
  /** The same whole, where the firm made it: no page has it otherwise. */
  ownKind?: Kind
  entries: RecordedEntry[]
}

/** A call: when, where, who, and whether its work held. */
interface Call {
  visitId: string
  /** The entry that heads it: what a correction names. */
  headerId: string
  on: string
  siteId: string
  siteName: string
  area: string
  technicians: string[]
  terms?: VisitTerms
  /** The customer's, for this call. */
  orderNumber?: string
  minutes?: number
  arrivedAt?: string
  leftAt?: string
  /** Repairs of an earlier visit that this one found had not held. */
  returns: Comeback[]
  /** Repairs of this visit that came back later. */
  cameBack: Comeback[]
}

/** A visit as it is listed. */
export interface VisitRow extends Call {
  /** Names of the machines it was about. */
  machines: string[]
  /** What was reported and what was repaired, in the words of who wrote it. */
  said: string[]
  /** How many entries were made on it. */
  lines: number
}

/** A visit with everything done on it. */
export interface Visit extends Call {
  about: VisitSubject[]
}

export interface VisitPage {
  rows: VisitRow[]
  next?: string
}
