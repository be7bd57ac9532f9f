import type { CareSheet } from '../core/care/care-terms.ts'
import type { TheirJob } from '../core/customers/their-jobs.ts'
import type { TheirStation } from '../core/customers/their-path.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'

/** What whoever stands at a machine reads, without signing in. */
export interface CustomerPage {
  machine: { id: string; name: string; model: string }
  firm: { name: string; phone: string }
  /** What of it is not for use, each in a sentence; empty: all of it is. */
  out: string[]
  /** It has a counter that can be read. */
  hasCounter: boolean
  today: LocalDay
  sheet: CareSheet
  jobs: TheirJob[]
  softener: TheirSoftener | null
  /** What of the machine's path is theirs; nothing where its kind is not known. */
  path: { softened: boolean; stations: TheirStation[] }
  /** Of those who typed the word alone: what a place sells is its own business. */
  known: KnownThere | null
}

/** What is theirs to do at the softener. */
export interface TheirSoftener {
  does: 'regenerate' | 'salt'
  lastOn: LocalDay | null
  dueOn: LocalDay | null
  /** Salt for one regeneration, where it is known. */
  saltKg: number | null
}

/** What a phone is told that knows the word of the place. */
export interface KnownThere {
  counter: { unit: string; last: number; on: LocalDay; low: number; likely: number; high: number } | null
  visit: { on: LocalDay; from: string | null } | null
}

/** Machines of a place that share one address. */
export interface CustomerPlace {
  firm: { name: string; phone: string }
  site: string
  machines: { id: string; name: string; model: string }[]
}

/** The customer's page of a machine or a site, as whoever keeps it sees it. */
export interface PageAddress {
  siteId: string
  /** Null: it has none. */
  path: string | null
  since: string | null
  /** What stands beside the QR code, to be read out. */
  code: string
  word: string | null
  /** How the firm is reached; null: nobody has said. */
  letterhead: {
    phone?: string | undefined
    email?: string | undefined
    address?: string | undefined
    numbers?: string | undefined
    logo?: string | undefined
  } | null
}

/** Machines of a place as their labels are printed. */
export interface PlacePages {
  site: { id: string; name: string; area: string; timeZone: string }
  machines: { id: string; name: string; model: string; code: string; hasPage: boolean }[]
}
