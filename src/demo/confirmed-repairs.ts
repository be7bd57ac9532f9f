import { bookOf } from '../core/faults/books.ts'
import type { Jotting } from '../core/ledger/entry-kinds.ts'
import { jot } from '../core/ledger/jot.ts'
import type { Dice } from './dice.ts'

/** Calls to a machine in two years. From memory. */
const callChance = 0.55
const mostCalls = 2

/**
 * Repairs of a machine that name their cause, as a search that ended in a test-out leaves them.
 *
 * @param d - dice of their own, so that nothing else of the world hangs on them
 * @returns on which of the visits each was, with what it left in the ledger
 */
export function confirmedRepairs(d: Dice, kind: string, visits: number): { visit: number; jottings: Jotting[] }[] {
  const book = bookOf(kind)
  if (!book) return []
  const calls: { visit: number; jottings: Jotting[] }[] = []
  for (let i = 0; i < mostCalls; i += 1) {
    if (!d.chance(callChance)) continue
    const sum = book.faults.reduce((total, { per100 }) => total + per100, 0)
    let at = d.next() * sum
    const fault = book.faults.find(({ per100 }) => {
      at -= per100
      return at <= 0
    })!
    // A year between them: neither is the other come back.
    const visit = Math.floor(((i + 0.2 + 0.5 * d.next()) / mostCalls) * visits)
    const words = { text: fault.repair.say, cause: fault.name, fault: fault.id, cured: true }
    calls.push({
      visit,
      jottings: [
        { kind: 'repaired', body: { v: 1, ...words, ...(fault.part && { part: fault.part }) } },
        jot('tested-out', { passed: true }),
      ],
    })
  }
  return calls
}
