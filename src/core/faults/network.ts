import { type Fault, type FaultBook, nothingWrong, somethingElse, type Test } from './fault.ts'
import { type Complaint, outcomesUnder, spokenFor } from './likelihood.ts'

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
  const own = book.faults.map((fault) => new Set(ownLooks(book, fault)))
  const stations = stationsOf(book)
  const tests = book.tests.map((test): NetworkTest => {
    const named = book.faults.map(({ id }) => hardlyOrphans(book, test, id))
    const [sound, broad] = [outcomesUnder(test, nothingWrong), outcomesUnder(test, somethingElse)]
    const unlike = new Map([...sound].map(([id, p]) => [id, (1 - elsewise) * p + elsewise * broad.get(id)!]))
    const under = [
      ...named,
      ...book.faults.map((_, i) => (own[i]!.has(test.id) ? unlike : named[i]!)),
      ...stations.map((station) => (station === test.station ? broad : sound)),
    ]
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

/** What a test has to show of a fault to be a look at the fault itself, and of how few others. From memory. */
const showsIt = 0.5
const showsOthers = 0.3
const usualAbove = 0.3
/** How often what is in no book shows something else again where a fault it is like would be seen. From memory. */
const elsewise = 0.15

/** How much less often than by chance a known fault shows what no known fault explains. From memory. */
const orphaned = 0.2

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

/** Looks at lamps, gauges and sounds: what the machine does, whatever part of it makes it do so. */
const ofMachine = new Set([
  'lamps',
  'lamp',
  'display',
  'boiler-gauge',
  'sight-glass',
  'level',
  'grinder-sound',
  'sound',
  'meter-pulses',
  'fill-off',
  'drive',
  'tray-water',
])

/** Whether a test shows what the machine does, not how a part is: another fault of the same part shows it as well. */
export const showsMachine = ({ id, needs, by, reads }: Test): boolean =>
  ofMachine.has(id) ||
  (reads !== undefined && !needs.includes('open') && !needs.includes('off')) ||
  (needs.includes('hot') && !needs.includes('open') && by !== 'hand')

/**
 * Tests that look at a fault itself: each shows of it what it hardly shows of anything else, and not where all is well;
 * at its own station where there is one. What is in no book, and behaves like this fault everywhere else, shows nothing
 * there.
 */
export function ownLooks({ faults, tests }: FaultBook, fault: Fault): string[] {
  const looks = tests.filter((test) => !showsMachine(test))
  const telling = looks.filter(({ sees, normal }) =>
    Object.entries(sees[fault.id] ?? {}).some(
      ([outcome, p]) =>
        p >= showsIt &&
        (normal[outcome] ?? 0) < usualAbove &&
        faults.every(({ id }) => id === fault.id || (sees[id]?.[outcome] ?? 0) < showsOthers),
    ),
  )
  const there = telling.filter(({ station }) => station === fault.station)
  return (there.length > 0 ? there : telling).map(({ id }) => id)
}

/** Where something can be wrong that looks like nothing known. */
const stationsOf = ({ tests }: FaultBook): string[] => [...new Set(tests.map(({ station }) => station))]

/** Share of the calls that are for something no book has; more where the book is short. From memory. */
export const shareOfElse = ({ faults }: FaultBook): number => (faults.length < shortBook ? 0.12 : 0.08)
const shortBook = 30
/** Of it, what behaves like nothing that is known. From memory. */
const likeNothing = 0.2

/**
 * A kind's book as a network. After its faults stands what is in no book, under one name: beside each fault one that
 * behaves like it, but is found by nothing that looks at it; and last what behaves like nothing known, at each station.
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
  // As sound as a machine can be is no pattern of something unknown.
  const like = plain.map((weight, i) => (book.faults[i]!.id === nothingWrong ? 0 : weight))
  const [named, patterns] = [sumOf(plain), sumOf(like)]
  const share = shareOfElse(book)
  // Before the records: what they say for one that is named, they say against what is not.
  const others = (named * share) / (1 - share)
  const stations = stationsOf(book)
  const weights = [
    ...book.faults.map(({ id }, i) => plain[i]! * (factors[id] ?? 1)),
    ...like.map((weight) => (1 - likeNothing) * others * (weight / patterns)),
    ...stations.map(() => (likeNothing * others) / stations.length),
  ]
  const sum = sumOf(weights)
  return {
    faults: weights.map((_, i) => book.faults[i]?.id ?? somethingElse),
    prior: Float64Array.from(weights, (weight) => weight / sum),
    tests: seldom ? seldomTestsOf(book) : testsOf(book),
  }
}

const sumOf = (weights: number[]): number => weights.reduce((total, weight) => total + weight, 0)
