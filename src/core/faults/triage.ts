import type { FaultBook, Test } from './fault.ts'
import { newSearch, suspicion } from './search.ts'
import { type StopsAbout, stopOfComplaint, stopsBefore } from './stops.ts'

/** Questions before driving: more only keep somebody on the line. */
export const enoughQuestions = 5
/** Suspicion from which a word to the customer is worth it. */
const worthSaying = 0.06
const mostSaid = 4

export interface TriageCard {
  /** Asked before anything else: what may stand behind the complaint, then the rest. */
  stops: ReturnType<typeof stopsBefore>
  questions: { test: Test; ask: string }[]
  /** What the customer can safely do, by what it would be. */
  safe: { name: string; say: string }[]
  /** What to have in the van, likeliest first. */
  along: string[]
}

/**
 * What to ask on the telephone about a complaint before anybody drives: the questions that say most on the spot, what
 * the customer can safely do, what to take along. To be printed, so it does not follow the answers.
 *
 * @param factors - what the machine's records make of each fault, see `priorFactors`
 * @example triageCard(srFaults, 'short-cup', {}).questions.length // at most 5
 */
export function triageCard(
  book: FaultBook,
  symptom: string,
  factors: Record<string, number>,
  of: StopsAbout = { water: true, boils: true },
): TriageCard {
  const now = suspicion(book, { ...newSearch(symptom, 0), phone: true }, factors)
  const held = stopOfComplaint(symptom) !== undefined
  const asked = held ? [] : now.next.map(({ test }) => book.tests.find(({ id }) => id === test)!)
  const likely = book.faults
    .map((fault, i) => ({ fault, p: now.belief[i]! }))
    .filter(({ p }) => p >= worthSaying)
    .sort((a, b) => b.p - a.p)
  return {
    stops: stopsBefore(of, symptom),
    questions: asked.slice(0, enoughQuestions).map((test) => ({ test, ask: book.phone[test.id]! })),
    safe: likely
      .flatMap(({ fault }) => (book.customer[fault.id] ? [{ name: fault.name, say: book.customer[fault.id]! }] : []))
      .slice(0, mostSaid),
    along: likely
      .filter(({ fault }) => !fault.repair.tell)
      .map(({ fault }) => fault.name)
      .slice(0, mostSaid),
  }
}
