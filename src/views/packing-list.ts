import type { Preferences } from '../core/firm/preferences.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'

/** What a device takes along, so that a day can be worked without network. */
export interface PackingList {
  technician: { id: string; name: string; initials: string }
  firm: { id: string; name: string; timeZone: string; preferences: Preferences }
  /** The server’s clock, ISO 8601 UTC. */
  now: string
  /** How far the firm’s ledger goes. */
  seq: number
  /** Days that are packed: this one, and those on which somebody is expected next. */
  days: LocalDay[]
  sites: string[]
  machines: string[]
  /** What is asked for, in the order in which it is wanted. */
  lines: PackingLine[]
}

export interface PackingLine {
  address: string
  why: 'frame' | 'day' | 'by-hand' | 'opened'
  /** The address is a page’s: what it hands to its island is asked for. */
  isPage?: boolean
}
