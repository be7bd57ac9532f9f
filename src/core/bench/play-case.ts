import type { FaultBook, MachineState, Test } from '../faults/fault.ts'
import { networkOf } from '../faults/network.ts'
import { asFound, leastBits, nextTests, standingAfter, testMinutes } from '../faults/next-test.ts'
import { outcomeOf } from '../faults/outcome-of.ts'
import { doubtfulAnswers, proofOf } from '../faults/proof.ts'
import { rankCauses, type Seen } from '../faults/rank-causes.ts'
import { leaderOf } from '../faults/shares.ts'
import type { SecretCase } from './secret-case.ts'

/** How a search went. */
export interface Played {
  tests: { test: string; outcome: string; minutes: number }[]
  minutes: number
  /** What was named in the end, and how sure. */
  named: string
  sure: number
}

/** Sure enough to repair. */
export const sureEnough = 0.97
/** Nobody searches longer, min. */
const longest = 240

/** Which test comes next; null to stop. */
type Choose = (belief: Float64Array, seen: Seen[], standing: MachineState[]) => Test | null

/** The outcome of a test on a case, by its id. */
function shownBy(test: Test, secret: SecretCase, look = 1): string {
  const shown = secret.observe(test.id, look)
  return typeof shown === 'string' ? shown : outcomeOf(test, shown)!.id
}

/** Plays a case to its end: the next best test each time, until one is sure enough. */
export function playBest(book: FaultBook, secret: SecretCase, gates = asFound.gates): Played {
  const network = networkOf(book, secret.symptom)
  return play(book, secret, (belief, seen, standing) => {
    const again = doubtfulAnswers(network, seen, belief).map((i) => seen[i]!.test)
    const worth = nextTests(book, network, belief, seen, { standing, gates, cannot: [], again }, 0)
    const { fault, p } = leaderOf(network, belief)
    const proof = p >= sureEnough ? proofOf(book, network, seen, fault, worth) : null
    const best = proof ?? (p >= sureEnough ? null : worth.find(({ bits }) => bits >= leastBits))
    return best ? book.tests.find(({ id }) => id === best.test)! : null
  })
}

/** The same walking the path: each test in the order water meets its station, rails last. */
export function playInOrder(book: FaultBook, secret: SecretCase, order: string[]): Played {
  const at = (test: Test) => {
    const place = order.indexOf(test.station)
    return place < 0 ? order.length : place
  }
  const network = networkOf(book, secret.symptom)
  const walk = book.tests.filter(({ gate }) => !gate).sort((a, b) => at(a) - at(b))
  return play(book, secret, (belief, seen) =>
    leaderOf(network, belief).p >= sureEnough
      ? null
      : (walk.find(({ id }) => !seen.some(({ test }) => test === id)) ?? null),
  )
}

function play(book: FaultBook, secret: SecretCase, choose: Choose): Played {
  const network = networkOf(book, secret.symptom)
  let belief = network.prior
  let standing = asFound.standing
  const tests: Played['tests'] = []
  let minutes = 0
  while (minutes < longest) {
    const test = choose(belief, tests, standing)
    if (!test) break
    const outcome = shownBy(test, secret, 1 + tests.filter((one) => one.test === test.id).length)
    // The clock counts what it takes, not what it might hurt.
    const takes = testMinutes(book, { ...test, hazard: undefined }, standing)
    minutes += takes
    tests.push({ test: test.id, outcome, minutes: takes })
    standing = standingAfter(test, standing)
    belief = rankCauses(network, tests) ?? belief
  }
  const { fault, p } = leaderOf(network, belief)
  return { tests, minutes, named: fault, sure: p }
}
