import { type FaultBook, nothingWrong } from './fault.ts'
import type { Network } from './network.ts'
import type { Worth } from './next-test.ts'
import { ownLooks } from './own-looks.ts'
import { chancesOfSeen, informationBits, type Seen } from './rank-causes.ts'
import { namedLeader } from './shares.ts'

/** From this many times likelier than under all others an answer speaks for a suspect. From memory. */
const speaksFor = 2
/** Under this share of what the suspect that fits it best would show, an answer hardly fits. From memory. */
const hardlyFits = 0.2

/** What each answer was worth, in the order of what was seen: chances by suspect, in the order of the network's. */
function chancesOf(network: Network, seen: Seen[]): Float64Array[] {
  const before = new Map<string, string>()
  return seen.map((one) => {
    const { test, outcome, said = false } = one
    const plain = network.tests.find(({ id }) => id === test)!
    const first = said ? undefined : before.get(test)
    if (!said) before.set(test, first ?? outcome)
    return chancesOfSeen(network, plain, one, first)!
  })
}

/**
 * Answers that speak for a suspect: each is at least twice as likely if it is so as if it is anything else.
 *
 * @returns places in what was seen; what was only said on the telephone proves nothing and is left out
 */
export function provedBy(network: Network, seen: Seen[], fault: string): number[] {
  const at = network.faults.indexOf(fault)
  return chancesOf(network, seen).flatMap((under, i) => {
    const others = network.prior.reduce((sum, p, j) => (j === at ? sum : sum + p * under[j]!), 0)
    const mean = others / Math.max(1e-12, 1 - network.prior[at]!)
    return !seen[i]!.said && under[at]! >= speaksFor * mean ? [i] : []
  })
}

/**
 * Answers that a suspect explains: each is at least twice as likely under it as where nothing is wrong.
 *
 * @returns places in what was seen
 */
export function explainedBy(network: Network, seen: Seen[], fault: string): number[] {
  const [at, sound] = [network.faults.indexOf(fault), network.faults.indexOf(nothingWrong)]
  return chancesOf(network, seen).flatMap((under, i) => (under[at]! >= speaksFor * under[sound]! ? [i] : []))
}

/**
 * Answers that hardly fit the likeliest suspect of the book: under another they come five times as often.
 *
 * @returns places in what was seen
 */
export function doubtfulAnswers(network: Network, seen: Seen[], belief: Float64Array): number[] {
  const best = namedLeader(network, belief)
  return chancesOf(network, seen).flatMap((under, i) => (under[best]! < hardlyFits * Math.max(...under) ? [i] : []))
}

/**
 * What still has to be looked at before a fault is repaired: a look at the fault itself, where one can be done, the
 * best a minute first.
 *
 * @param can - tests that may and can be done now, by worth
 * @returns null where such a look has shown it already, or where none can be done
 */
export function proofOf(book: FaultBook, network: Network, seen: Seen[], fault: string, can: Worth[]): Worth | null {
  const known = book.faults.find(({ id }) => id === fault)
  if (!known || fault === nothingWrong) return null
  const own = new Set(ownLooks(book, known))
  const shown = explainedBy(network, seen, fault).some((i) => own.has(seen[i]!.test) && !seen[i]!.said)
  return shown ? null : (can.find(({ test }) => own.has(test)) ?? null)
}

/**
 * The one measurement a complaint is about: the reading that says most of it before anything is known. Nothing is
 * called sound without it.
 *
 * @returns null where a book reads nothing without being qualified
 */
export function measurementOf(book: FaultBook, network: Network): string | null {
  const readings = book.tests.filter(({ reads, gate }) => reads && !gate)
  const bits = readings.map(({ id }) => informationBits(network.prior, network.tests.find((test) => test.id === id)!))
  return readings[bits.indexOf(Math.max(...bits))]?.id ?? null
}
