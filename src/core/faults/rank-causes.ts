import { somethingElse } from './fault.ts'
import type { Network, NetworkTest } from './network.ts'

/** What was seen: an outcome of a test. */
export interface Seen {
  test: string
  outcome: string
  /** What it was, where the test has no answer for it. */
  words?: string
  /** Said on the telephone, not seen by whoever knows. */
  said?: boolean
  /** Not each time: so often of so many times; the others it was as it should be. */
  times?: { n: number; of: number }
}

/** Something was seen that a test has no answer for. */
export const otherThanAll = 'none-of-these'

/** How often that is so under what is in the book, and under what is in none. From memory. */
const strangeUnder = { named: 0.03, unnamed: 0.3 }

/** Chances of an answer under each suspect of a network; null where a test has no such answer. */
function chancesUnder(network: Network, test: NetworkTest, outcome: string): Float64Array | null {
  if (outcome === otherThanAll)
    return Float64Array.from(network.faults, (id) => (id === somethingElse ? strangeUnder.unnamed : strangeUnder.named))
  return test.outcomes.find(({ id }) => id === outcome)?.under ?? null
}

/** The question whose answers say what comes and goes. */
export const askedOften = { test: 'ask-often', sometimes: 'sometimes' } as const
/** The question whose answers say that it is so only from cold, or only hot. */
export const askedWhen = { test: 'ask-when' } as const
/** Where a network does not ask it: one in two. */
const asOftenAsNot = 0.5
/** How often what is always so is seen only now and then, for no reason. From memory. */
const oddlySeldom = 0.05

/** How likely each suspect is one that comes and goes. */
function comesAndGoes({ faults, tests }: Network): Float64Array {
  const asked = tests.find(({ id }) => id === askedOften.test)?.outcomes.find(({ id }) => id === askedOften.sometimes)
  return asked?.under ?? new Float64Array(faults.length).fill(asOftenAsNot)
}

/**
 * Chances of what was seen under each suspect. Seen only some of the times, it speaks for what shows it and comes and
 * goes; what is always there would have shown it each time.
 *
 * @param first - what the same test showed before, where it was looked at
 * @returns null where a test has no such answer
 */
export function chancesOfSeen(
  network: Network,
  test: NetworkTest,
  { outcome, said = false, times }: Seen,
  first: string | undefined,
): Float64Array | null {
  const under = chancesUnder(network, asTaken(test, said, first), outcome)
  if (!under || !times || times.n >= times.of) return under
  const often = comesAndGoes(network)
  return under.map((p, i) => often[i]! * p + (1 - often[i]!) * oddlySeldom)
}

/** Beliefs after one outcome; null where it is impossible under every fault. */
export function afterOutcome(belief: Float64Array, under: Float64Array): Float64Array | null {
  const next = belief.map((p, i) => p * under[i]!)
  let sum = 0
  for (const p of next) sum += p
  if (!(sum > 0)) return null
  for (let i = 0; i < next.length; i += 1) next[i]! /= sum
  return next
}

/** Half of all second looks only see what the first one saw. From memory. */
const sameEyes = 0.5

/**
 * A test done once, done again: half the time it shows the same for no other reason than that it did before.
 *
 * @param first - what it showed
 */
export const lookedAgain = (test: NetworkTest, first: string): NetworkTest => ({
  ...test,
  outcomes: test.outcomes.map(({ id, under }) => ({
    id,
    under: under.map((p) => (1 - sameEyes) * p + (id === first ? sameEyes : 0)),
  })),
})

/** One answer in five on the telephone is wrong, or about something else. From memory. */
const misheard = 0.2

/** A test as it is answered on the telephone. */
const askedByPhone = (test: NetworkTest): NetworkTest => ({
  ...test,
  outcomes: test.outcomes.map(({ id, under }) => ({
    id,
    under: under.map((p) => (1 - misheard) * p + misheard / test.outcomes.length),
  })),
})

/** A test as its next answer has to be taken: by telephone, after what it showed before, or plainly. */
export function asTaken(test: NetworkTest, said: boolean, first: string | undefined): NetworkTest {
  const heard = said ? askedByPhone(test) : test
  return first === undefined ? heard : lookedAgain(heard, first)
}

/**
 * Beliefs after all that was seen, in the order of the network's faults. A test seen twice was looked at again.
 *
 * @returns null where what was seen is impossible under every fault
 * @throws where a test or an outcome is not the network's
 */
export function rankCauses(network: Network, seen: Seen[]): Float64Array | null {
  let belief: Float64Array | null = network.prior
  const before = new Map<string, string>()
  for (const one of seen) {
    const { test, outcome, said = false } = one
    const plain = network.tests.find(({ id }) => id === test)
    // What was only said is no look: who sees it himself sees it for the first time.
    const first = said ? undefined : before.get(test)
    const under = plain && chancesOfSeen(network, plain, one, first)
    if (!under) throw new Error(`rankCauses: ${test} cannot show ${outcome}`)
    belief = belief && afterOutcome(belief, under)
    if (!said) before.set(test, first ?? outcome)
  }
  return belief
}

/** How unsure beliefs are, bits. */
export function entropyBits(belief: Float64Array): number {
  let bits = 0
  for (const p of belief) if (p > 0) bits -= p * Math.log2(p)
  return bits
}

/** What each outcome of a test would leave, and how likely it is. */
export function expectedOutcomes(
  belief: Float64Array,
  test: NetworkTest,
): { id: string; chance: number; belief: Float64Array | null }[] {
  return test.outcomes.map(({ id, under }) => {
    let chance = 0
    for (let i = 0; i < belief.length; i += 1) chance += belief[i]! * under[i]!
    return { id, chance, belief: chance > 0 ? afterOutcome(belief, under) : null }
  })
}

/** How unsure a test's outcome is under each fault, bits: the same whatever is believed, so reckoned once a test. */
const spreads = new WeakMap<NetworkTest, Float64Array>()

function spreadUnder(test: NetworkTest): Float64Array {
  const there = spreads.get(test)
  if (there) return there
  const spread = new Float64Array(test.outcomes[0]?.under.length ?? 0)
  for (const { under } of test.outcomes)
    for (let i = 0; i < spread.length; i += 1) if (under[i]! > 0) spread[i]! -= under[i]! * Math.log2(under[i]!)
  spreads.set(test, spread)
  return spread
}

/**
 * Expected information of a test, bits: how much less unsure it leaves.
 * @see Lindley 1956, On a measure of the information provided by an experiment, Ann. Math. Stat. 27, 986
 */
export function informationBits(belief: Float64Array, test: NetworkTest): number {
  // Mutual information as outcome entropy less the outcome's entropy under each fault: no posterior is made.
  const spread = spreadUnder(test)
  let bits = 0
  for (const { under } of test.outcomes) {
    let chance = 0
    for (let i = 0; i < belief.length; i += 1) chance += belief[i]! * under[i]!
    if (chance > 0) bits -= chance * Math.log2(chance)
  }
  for (let i = 0; i < belief.length; i += 1) bits -= belief[i]! * spread[i]!
  return Math.max(0, bits)
}
