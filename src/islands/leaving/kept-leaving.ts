import type { Payer } from '../../core/close-out/charge-terms.ts'
import { shelf } from '../../device/shelf.ts'

/** What somebody has put right of a visit’s end before closing it, by visit: kept on this device until then. */
export interface KeptLeaving {
  /** Of the entry that closes it: pressed twice it is one. */
  id: string
  minutes: Record<string, number>
  roadMinutes?: number
  roadKm?: number
  /** Of lines of the bill by their ids: who pays, at what price in minor units, and why it was changed. */
  changed: Record<string, { pays?: Payer; priceMinor?: number; why: string }>
  /** Lines that stand in no ledger: what they are called, and what they come to. */
  added: { id: string; name: string; priceMinor: number; pays: Payer; why: string }[]
  /** Why something was left, by what stands in the way. */
  reasons: Record<string, string>
  /** How a machine was made safe, by its gate. */
  isolated: Record<string, string>
  /** Until when it was chosen to wait, by what is open. */
  until: Record<string, string>
  /** The report goes out by e-mail. */
  reportByMail?: boolean
  name: string
  as: string
}

export const nothingYet = (id: string): KeptLeaving => ({
  id,
  minutes: {},
  changed: {},
  added: [],
  reasons: {},
  isolated: {},
  until: {},
  name: '',
  as: '',
})

export const keptLeavings = shelf<KeptLeaving>({
  name: 'leaving',
  version: 1,
  schema: async () => (await import('./leaving-schema.ts')).leavingSchema,
})
