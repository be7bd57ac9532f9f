import type { Search } from '../../../core/faults/search.ts'
import type { Urgency } from '../../../core/visits/call-urgency.ts'
import type { CallerMachine } from '../../../core/visits/caller-machine.ts'
import { shelf } from '../../../device/shelf.ts'

/** A call that is being taken, as this device keeps it: what is written of it is one write, however often it is sent. */
export interface KeptCall {
  ids: Record<string, string>
  machine: CallerMachine | null
  /** The words they are looked for by, while nobody knows who it is. */
  who: string
  /** What they say, in their words. */
  text: string
  caller: string
  phone: string
  /** What they were asked. */
  search: Search | null
  /** Somebody said otherwise than was reckoned. */
  urgency: Urgency | null
  minutes: number | null
  /** The call that is rung back. */
  answers: string | null
  /** The fault is in the ledger already, under its id: they ring about it again, or it was written at once. */
  isReported?: boolean
  /** It is on every list that nobody may use it. */
  isHeld?: boolean
  /** Of the answers so many are in the ledger, under their ids: they were told before. */
  onRecord?: number
  startedAt: number
}

/** By what it was begun for: a machine, a call to be rung back; else `now`. */
export const keptCalls = shelf<KeptCall>({
  name: 'call',
  version: 1,
  schema: async () => (await import('./call-schema.ts')).callSchema,
})

export const newCall = (at: number): KeptCall => ({
  ids: {},
  machine: null,
  who: '',
  text: '',
  caller: '',
  phone: '',
  search: null,
  urgency: null,
  minutes: null,
  answers: null,
  startedAt: at,
})
