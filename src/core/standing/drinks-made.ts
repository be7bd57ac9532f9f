import { meanRate } from '../usage/rate.ts'
import type { Histories } from './histories.ts'
import { machineFacts } from './machine-facts.ts'

/** Drinks of an open day, as a machine's own counter tells; null where nobody read it twice. */
export function drinksMade(histories: Histories): number | null {
  const facts = machineFacts(histories, false)
  return facts && facts.use.intervals.length > 0 ? meanRate(facts.use.rate) : null
}
