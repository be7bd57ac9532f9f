import type { ConfirmedCause } from '../core/faults/confirmed-causes.ts'

/** What a firm's own repairs say of a kind's faults, and whether it goes by it. */
export interface CausesPage {
  firmId: string
  kind: { id: string; name: string; machines: number; read: number }
  rows: (Omit<ConfirmedCause, 'cured'> & {
    /** The book's share of calls, and that with the firm's own counted in. */
    bookShare: number
    ownShare: number
    cured: { machine: { id: string; name: string; site: string }; on: string }[]
  })[]
  /** Repairs whose cause is written in words alone. */
  inWordsOnly: number
  adopted: { entryId: string; on: string; counts: { fault: string; n: number }[] } | null
}
