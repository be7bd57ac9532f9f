import { type FaultBook, nothingWrong, somethingElse, type Test } from './fault.ts'
import { type Complaint, outcomesUnder, spokenFor } from './likelihood.ts'
import { showsMachine, showsOthers, usualAbove } from './own-looks.ts'
import { residualUnder, residualWeights } from './residual.ts'

/** A test as the search sees it: minutes, and the chance of each outcome under each fault, in the faults' order. */
export interface NetworkTest {
  id: string
  minutes: number
  outcomes: { id: string; under: Float64Array }[]
}

/** Faults with their weights and the tests that tell them apart; a name that comes again is the same suspect. */
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
  const unnamed = residualUnder(book)
  const tests = book.tests.map((test): NetworkTest => {
    const under = [...book.faults.map(({ id }) => hardlyOrphans(book, test, id)), ...unnamed(test)]
    return {
      id: test.id,
      minutes: test.minutes,
      outcomes: test.outcomes.map(({ id }) => ({ id, under: Float64Array.from(under, (one) => one.get(id)!) })),
    }
  })
  known.set(book.tests, tests)
  return tests
}

/** What comes and goes shows itself about so often when it is looked for. From memory. */
const actsNow = 0.55

const knownSeldom = new WeakMap<Test[], NetworkTest[]>()

/** The same tests of what comes and goes: half of the time the machine does as where nothing is wrong. */
function seldomTestsOf(book: FaultBook): NetworkTest[] {
  const there = knownSeldom.get(book.tests)
  if (there) return there
  const tests = testsOf(book).map((network, i): NetworkTest => {
    const test = book.tests[i]!
    if (!showsMachine(test)) return network
    const sound = outcomesUnder(test, nothingWrong)
    return {
      ...network,
      outcomes: network.outcomes.map(({ id, under }) => ({
        id,
        under: under.map((p) => actsNow * p + (1 - actsNow) * sound.get(id)!),
      })),
    }
  })
  knownSeldom.set(book.tests, tests)
  return tests
}

/** How much less often than by chance a known fault shows what no known fault explains. From memory. */
const orphaned = 0.03

/** What each outcome is worth under a fault, where one that nothing in the book explains speaks for none of it. */
function hardlyOrphans({ faults }: FaultBook, test: Test, fault: string): Map<string, number> {
  const isOrphan = (outcome: string) =>
    (test.normal[outcome] ?? 0) < usualAbove &&
    test.sees[fault]?.[outcome] === undefined &&
    faults.every(({ id }) => (test.sees[id]?.[outcome] ?? 0) < showsOthers)
  const under = [...outcomesUnder(test, fault)].map(([id, p]): [string, number] => [
    id,
    isOrphan(id) ? orphaned * p : p,
  ])
  const sum = under.reduce((total, [, p]) => total + p, 0)
  return new Map(under.map(([id, p]) => [id, p / sum]))
}

/**
 * A kind's book as a network. After its faults stands what is in no book, under one name, see `residualUnder`.
 * A complaint leaves their share as it is.
 *
 * @param said - what is complained of, one thing by its name or several as they may be meant; none where nothing is said
 * @param factors - by fault, what the records make of it, see `priorFactors`
 * @param seldom - it was told that it comes and goes: what the machine does, it does so only now and then
 */
export function networkOf(
  book: FaultBook,
  said: string | Complaint[] | null,
  factors: Record<string, number> = {},
  seldom = false,
): Network {
  const spoken = spokenFor(book, said)
  const plain = book.faults.map(({ per100 }, i) => per100 * spoken[i]!)
  const weights = [...book.faults.map(({ id }, i) => plain[i]! * (factors[id] ?? 1)), ...residualWeights(book, plain)]
  const sum = weights.reduce((total, weight) => total + weight, 0)
  return {
    faults: weights.map((_, i) => book.faults[i]?.id ?? somethingElse),
    prior: Float64Array.from(weights, (weight) => weight / sum),
    tests: seldom ? seldomTestsOf(book) : testsOf(book),
  }
}
