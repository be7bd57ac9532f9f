import { expect } from 'chai'
import fc from 'fast-check'
import { faultBooks } from '../../../src/core/faults/books.ts'
import { outcomesUnder } from '../../../src/core/faults/likelihood.ts'
import { type Network, type NetworkTest, networkOf } from '../../../src/core/faults/network.ts'
import {
  asTaken,
  entropyBits,
  expectedOutcomes,
  informationBits,
  lookedAgain,
  rankCauses,
} from '../../../src/core/faults/rank-causes.ts'

const weights = (n: number) => fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: n, maxLength: n })
const whole = (list: number[]): Float64Array => {
  const sum = list.reduce((total, one) => total + one, 0)
  return Float64Array.from(list, (one) => one / sum)
}

/** A network of four suspects and three tests of two or three outcomes, whatever they are. */
const someNetwork: fc.Arbitrary<Network> = fc
  .tuple(weights(4), fc.array(fc.array(weights(4), { minLength: 2, maxLength: 3 }), { minLength: 3, maxLength: 3 }))
  .map(([prior, tests]) => ({
    faults: ['a', 'b', 'c', 'd'],
    prior: whole(prior),
    tests: tests.map((outcomes, t): NetworkTest => {
      const sums = [0, 1, 2, 3].map((i) => outcomes.reduce((sum, under) => sum + under[i]!, 0))
      return {
        id: `t${t}`,
        minutes: 1 + t,
        outcomes: outcomes.map((under, o) => ({
          id: `o${o}`,
          under: Float64Array.from(under, (p, i) => p / sums[i]!),
        })),
      }
    }),
  }))

function close(a: Float64Array, b: ArrayLike<number>): void {
  for (const [i, p] of a.entries()) expect(p).to.be.closeTo(b[i]!, 1e-9)
}

describe('beliefs by Bayes’ rule', () => {
  it('are what counting every possibility gives', () => {
    fc.assert(
      fc.property(someNetwork, fc.nat(1), fc.nat(1), fc.nat(1), (network, ...shown) => {
        const seen = shown.map((o, t) => ({ test: `t${t}`, outcome: `o${o}` }))
        // Each fault's whole chance of having shown just this, as a share of all of them.
        const joint = [0, 1, 2, 3].map((i) =>
          shown.reduce((p, o, t) => p * network.tests[t]!.outcomes[o]!.under[i]!, network.prior[i]!),
        )
        close(rankCauses(network, seen)!, whole(joint))
      }),
      { numRuns: 200, seed: 7 },
    )
  })

  it('do not hang on the order of different tests', () => {
    fc.assert(
      fc.property(someNetwork, fc.shuffledSubarray([0, 1, 2], { minLength: 3 }), (network, order) => {
        const seen = [0, 1, 2].map((t) => ({ test: `t${t}`, outcome: `o${t % 2}` }))
        close(
          rankCauses(network, seen)!,
          rankCauses(
            network,
            order.map((i) => seen[i]!),
          )!,
        )
      }),
      { numRuns: 100, seed: 8 },
    )
  })

  it('refuse what is no test or no outcome of it', () => {
    const network = networkOf(faultBooks[0]!, null)
    expect(() => rankCauses(network, [{ test: 'unheard-of', outcome: 'x' }])).to.throw('unheard-of cannot show x')
    expect(() => rankCauses(network, [{ test: 'ask', outcome: 'x' }])).to.throw('ask cannot show x')
  })
})

describe('what a test tells, in bits (Lindley 1956)', () => {
  it('is how much less unsure it leaves on the average', () => {
    fc.assert(
      fc.property(someNetwork, ({ prior, tests }) => {
        for (const test of tests) {
          const left = expectedOutcomes(prior, test).reduce(
            (sum, { chance, belief }) => sum + (belief ? chance * entropyBits(belief) : 0),
            0,
          )
          expect(informationBits(prior, test)).to.be.closeTo(entropyBits(prior) - left, 1e-9)
        }
      }),
      { numRuns: 200, seed: 9 },
    )
  })

  it('is never less than nothing, nor more than there is to know, nor than its outcomes can say', () => {
    fc.assert(
      fc.property(someNetwork, ({ prior, tests }) => {
        for (const test of tests) {
          const bits = informationBits(prior, test)
          expect(bits).to.be.at.least(0)
          expect(bits).to.be.at.most(entropyBits(prior) + 1e-9)
          expect(bits).to.be.at.most(Math.log2(test.outcomes.length) + 1e-9)
        }
      }),
      { numRuns: 100, seed: 10 },
    )
  })

  it('is less by telephone, and less on a second look', () => {
    fc.assert(
      fc.property(someNetwork, ({ prior, tests }) => {
        for (const test of tests) {
          const plain = informationBits(prior, test)
          expect(informationBits(prior, asTaken(test, true, undefined))).to.be.at.most(plain + 1e-9)
          const [first] = test.outcomes
          const after = expectedOutcomes(prior, test)[0]!.belief!
          expect(informationBits(after, lookedAgain(test, first!.id))).to.be.at.most(
            informationBits(after, test) + 1e-9,
          )
        }
      }),
      { numRuns: 100, seed: 11 },
    )
  })

  it('a coin says one bit, a plain answer nothing', () => {
    const even = Float64Array.of(0.5, 0.5)
    const test = (a: number[], b: number[]): NetworkTest => ({
      id: 't',
      minutes: 1,
      outcomes: [
        { id: 'a', under: Float64Array.from(a) },
        { id: 'b', under: Float64Array.from(b) },
      ],
    })
    expect(informationBits(even, test([1, 0], [0, 1]))).to.be.closeTo(1, 1e-12)
    expect(informationBits(even, test([0.5, 0.5], [0.5, 0.5]))).to.be.closeTo(0, 1e-12)
    // A look that errs once in ten: 1 − H(0.1) = 0.531 bits (the capacity of a binary symmetric channel, Shannon 1948).
    expect(informationBits(even, test([0.9, 0.1], [0.1, 0.9]))).to.be.closeTo(0.531, 5e-4)
  })
})

describe('the chances a book gives', () => {
  it('leave no answer certain: a fortieth of each is spread over all outcomes', () => {
    for (const book of faultBooks)
      for (const test of book.tests)
        for (const fault of book.faults) {
          const under = outcomesUnder(test, fault.id)
          const least = 0.025 / test.outcomes.length
          for (const [outcome, p] of under) {
            expect(p, `${book.kind} ${test.id} ${fault.id} ${outcome}`).to.be.at.least(least - 1e-12)
            expect(p).to.be.at.most(1 - least * (test.outcomes.length - 1) + 1e-12)
          }
        }
  })

  it('say the more, the more there is to tell: every test of every book tells something of some complaint', () => {
    for (const book of faultBooks)
      for (const { id } of book.tests) {
        const most = Math.max(
          ...book.symptoms.map((symptom) => {
            const network = networkOf(book, symptom.id)
            return informationBits(network.prior, network.tests.find((test) => test.id === id)!)
          }),
        )
        expect(most, `${book.kind} ${id}`).to.be.greaterThan(0.005)
      }
  })
})
