import type { FaultBook, Test } from './fault.ts'
import { complaintUnder, outcomesUnder } from './likelihood.ts'

/** A test as the search sees it: minutes, and the chance of each outcome under each fault, in the faults' order. */
export interface NetworkTest {
  id: string
  minutes: number
  outcomes: { id: string; under: Float64Array }[]
}

/** Faults with their weights and the tests that tell them apart. */
export interface Network {
  faults: string[]
  /** Prior shares, summing to 1. */
  prior: Float64Array
  tests: NetworkTest[]
}

/** A book's tests as arrays, once a book. */
const known = new WeakMap<Test[], NetworkTest[]>()

function testsOf(book: FaultBook): NetworkTest[] {
  const there = known.get(book.tests)
  if (there) return there
  const tests = book.tests.map((test): NetworkTest => {
    const under = book.faults.map(({ id }) => outcomesUnder(test, id))
    return {
      id: test.id,
      minutes: test.minutes,
      outcomes: test.outcomes.map(({ id }) => ({ id, under: Float64Array.from(under, (one) => one.get(id)!) })),
    }
  })
  known.set(book.tests, tests)
  return tests
}

/**
 * A kind's book as a network.
 *
 * @param symptom - what is complained of; none where nothing is said
 * @param factors - by fault, what the records make of it, see `priorFactors`
 */
export function networkOf(book: FaultBook, symptom: string | null, factors: Record<string, number> = {}): Network {
  const weights = book.faults.map(
    (fault) => fault.per100 * (factors[fault.id] ?? 1) * (symptom === null ? 1 : complaintUnder(book, fault, symptom)),
  )
  const sum = weights.reduce((total, weight) => total + weight, 0)
  return {
    faults: book.faults.map(({ id }) => id),
    prior: Float64Array.from(weights, (weight) => weight / sum),
    tests: testsOf(book),
  }
}
