import type { Network, NetworkTest } from '../src/core/faults/network.ts'
import { rankTests } from '../src/core/faults/next-test.ts'
import { expectedOutcomes, informationBits } from '../src/core/faults/rank-causes.ts'
import { testingMinutes } from '../src/core/faults/worth-testing.ts'

/** Sure enough to stop, in a search as short as these. */
const enough = 0.9
/** Left unsure, somebody else comes again: as a technician counts it, min. */
const againMinutes = 60

/** A search that is small enough to try every order of its tests. */
interface SmallSearch {
  belief: Float64Array
  tests: NetworkTest[]
}

/** A network cut down to its likeliest suspects and the tests that say most of them. */
export function cutDown({ faults, prior, tests }: Network, mostFaults: number, mostTests: number): SmallSearch {
  const kept = faults
    .map((_, i) => i)
    .sort((a, b) => prior[b]! - prior[a]!)
    .slice(0, mostFaults)
  const sum = kept.reduce((total, i) => total + prior[i]!, 0)
  const belief = Float64Array.from(kept, (i) => prior[i]! / sum)
  const small = tests
    .map((test) => ({
      ...test,
      outcomes: test.outcomes.map(({ id, under }) => ({ id, under: Float64Array.from(kept, (i) => under[i]!) })),
    }))
    .map((test) => ({ test, rate: informationBits(belief, test) / test.minutes }))
    .sort((a, b) => b.rate - a.rate)
    .slice(0, mostTests)
  return { belief, tests: small.map(({ test }) => test) }
}

/** Minutes expected from a belief with some tests left, by what chooses the next. */
type Choose = (belief: Float64Array, left: NetworkTest[], value: (test: NetworkTest) => number) => NetworkTest | null

/**
 * Expected minutes of a policy from here on. What was seen decides, in whatever order: each such place is reckoned
 * once.
 */
function expectedMinutes({ belief, tests }: SmallSearch, choose: Choose): number {
  const known = new Map<string, number>()
  const place = new Map(tests.map((test, i) => [test, i]))
  const from = (now: Float64Array, left: NetworkTest[], seen: string[]): number => {
    const unsure = 1 - Math.max(...now)
    if (unsure <= 1 - enough || left.length === 0) return againMinutes * unsure
    const key = [...seen].sort().join(' ')
    const there = known.get(key)
    if (there !== undefined) return there
    const value = (test: NetworkTest): number => {
      const rest = left.filter((one) => one !== test)
      return expectedOutcomes(now, test).reduce(
        (sum, { id, chance, belief: next }) =>
          sum + (next ? chance * from(next, rest, [...seen, `${place.get(test)}:${id}`]) : 0),
        test.minutes,
      )
    }
    const chosen = choose(now, left, value)
    const minutes = chosen ? value(chosen) : againMinutes * unsure
    known.set(key, minutes)
    return minutes
  }
  return from(belief, tests, [])
}

const again = (belief: Float64Array): number => againMinutes * (1 - Math.max(...belief))

/** The next best test: most bits a minute, until stopping costs no more. */
const greedily: Choose = (belief, left) => {
  const [best] = rankTests(belief, left, ({ minutes }) => minutes)
  const test = best && left.find(({ id }) => id === best.test)!
  return test && testingMinutes(belief, test, test.minutes, again) < again(belief) ? test : null
}

/** Every test tried next, whatever it shows; where none is worth it, stop. */
const exhaustively: Choose = (belief, left, value) => {
  let best: { test: NetworkTest; minutes: number } | null = null
  for (const test of left) {
    const minutes = value(test)
    if (!best || minutes < best.minutes) best = { test, minutes }
  }
  return best && best.minutes < again(belief) ? best.test : null
}

/** A search by both policies, min expected. */
export const againstOptimal = (search: SmallSearch): { greedy: number; optimal: number } => ({
  greedy: expectedMinutes(search, greedily),
  optimal: expectedMinutes(search, exhaustively),
})
