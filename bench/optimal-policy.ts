import type { Network, NetworkTest } from '../src/core/faults/network.ts'
import { rankTests } from '../src/core/faults/next-test.ts'
import { expectedOutcomes, informationBits } from '../src/core/faults/rank-causes.ts'

const mostFaults = 7
const mostTests = 6
/** Sure enough to stop, in a search as short as these. */
const enough = 0.9
/** Left unsure, somebody else comes again: as a technician counts it, min. */
const againMinutes = 60

/** A network cut down to its likeliest suspects and the tests that say most of them. */
function cutDown({ faults, prior, tests }: Network): { belief: Float64Array; tests: NetworkTest[] } {
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

function expectedMinutes(belief: Float64Array, left: NetworkTest[], choose: Choose): number {
  const unsure = 1 - Math.max(...belief)
  if (unsure <= 1 - enough || left.length === 0) return againMinutes * unsure
  const value = (test: NetworkTest): number =>
    expectedOutcomes(belief, test).reduce(
      (sum, { chance, belief: next }) =>
        sum +
        (next
          ? chance *
            expectedMinutes(
              next,
              left.filter((one) => one !== test),
              choose,
            )
          : 0),
      test.minutes,
    )
  const chosen = choose(belief, left, value)
  return chosen ? value(chosen) : againMinutes * unsure
}

/** The next best test: most bits a minute. */
const greedily: Choose = (belief, left) => {
  const [best] = rankTests(belief, left, ({ minutes }) => minutes)
  return best ? left.find(({ id }) => id === best.test)! : null
}

/** Every order of tests tried, whatever they show. */
const exhaustively: Choose = (belief, left, value) => {
  const stop = againMinutes * (1 - Math.max(...belief))
  const best = left.map((test) => ({ test, minutes: value(test) })).sort((a, b) => a.minutes - b.minutes)[0]!
  return best.minutes < stop ? best.test : null
}

/** A small search by both policies, min expected. */
export function againstOptimal(network: Network): { greedy: number; optimal: number } {
  const { belief, tests } = cutDown(network)
  return {
    greedy: expectedMinutes(belief, tests, greedily),
    optimal: expectedMinutes(belief, tests, exhaustively),
  }
}
