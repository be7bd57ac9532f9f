import { expect } from 'chai'
import fc from 'fast-check'
import { bookOf } from '../../../src/core/faults/books.ts'
import type { Network, NetworkTest } from '../../../src/core/faults/network.ts'
import { networkOf } from '../../../src/core/faults/network.ts'
import { rankTests, standingAfter, testMinutes } from '../../../src/core/faults/next-test.ts'
import { nothingKnown, priorFactors, priorReasons } from '../../../src/core/faults/prior-factors.ts'
import {
  afterOutcome,
  entropyBits,
  informationBits,
  lookedAgain,
  rankCauses,
} from '../../../src/core/faults/rank-causes.ts'

/** A plain chain: each test tells on which side of it the fault lies, for certain. */
function chain(stations: number): Network {
  const faults = Array.from({ length: stations }, (_, i) => `station ${i}`)
  const tests = Array.from({ length: stations - 1 }, (_, cut): NetworkTest => {
    const before = Float64Array.from(faults, (_, i) => (i <= cut ? 1 : 0))
    return {
      id: `after ${cut}`,
      minutes: 2,
      outcomes: [
        { id: 'before', under: before },
        { id: 'behind', under: before.map((p) => 1 - p) },
      ],
    }
  })
  return { faults, prior: new Float64Array(stations).fill(1 / stations), tests }
}

/** Tests it takes to be certain of one station. */
function testsTaken(network: Network, at: number): number {
  let belief = network.prior
  const done = new Set<string>()
  while (Math.max(...belief) < 1 - 1e-12) {
    const [next] = rankTests(belief, network.tests, ({ id, minutes }) => (done.has(id) ? null : minutes))
    const test = network.tests.find(({ id }) => id === next!.test)!
    belief = afterOutcome(belief, test.outcomes.find(({ under }) => under[at] === 1)!.under)!
    done.add(test.id)
  }
  return done.size
}

describe('the next best test', () => {
  // Half-split rule of troubleshooting: a chain of n alike stations takes ⌈log₂ n⌉ cuts at the most.
  for (const stations of [2, 3, 4, 5, 7, 8, 13, 16, 31, 32, 47, 64])
    it(`finds any fault of a plain chain of ${stations} in ⌈log₂ ${stations}⌉ tests`, () => {
      const network = chain(stations)
      for (let at = 0; at < stations; at += 1)
        expect(testsTaken(network, at), `at ${at}`).to.be.at.most(Math.ceil(Math.log2(stations)))
    })

  it('says as many bits as it leaves one less unsure, on the average', () => {
    const weight = fc.double({ min: 0.01, max: 1, noNaN: true })
    const three = fc.array(weight, { minLength: 3, maxLength: 3 })
    fc.assert(
      fc.property(three, three, (weights, chances) => {
        const sum = weights.reduce((total, w) => total + w, 0)
        const belief = Float64Array.from(weights, (w) => w / sum)
        const yes = Float64Array.from(chances, (p) => p * 0.99)
        const test: NetworkTest = {
          id: 't',
          minutes: 1,
          outcomes: [
            { id: 'yes', under: yes },
            { id: 'no', under: yes.map((p) => 1 - p) },
          ],
        }
        const left = test.outcomes.reduce((total, { under }) => {
          const chance = belief.reduce((all, p, i) => all + p * under[i]!, 0)
          return total + chance * entropyBits(afterOutcome(belief, under)!)
        }, 0)
        expect(informationBits(belief, test)).to.be.closeTo(entropyBits(belief) - left, 1e-9)
      }),
      { seed: 20 },
    )
  })

  it('takes Bayes’ rule as the textbook has it', () => {
    // The screening example of introductory texts: 1 % ill, 80 % of the ill and 9.6 % of the well show positive: 7.8 %
    // (Eddy 1982, Probabilistic reasoning in clinical medicine).
    const belief = afterOutcome(Float64Array.of(0.01, 0.99), Float64Array.of(0.8, 0.096))!
    expect(belief[0]).to.be.closeTo(0.078, 0.0005)
  })

  it('asks nothing that tells nothing, and says what cannot have been', () => {
    const { prior, tests } = chain(4)
    const dull: NetworkTest = { id: 'dull', minutes: 1, outcomes: [{ id: 'so', under: new Float64Array(4).fill(1) }] }
    expect(rankTests(prior, [dull], () => 1)).to.deep.equal([])
    const impossible = [
      { test: 'after 0', outcome: 'before' },
      { test: 'after 2', outcome: 'behind' },
    ]
    expect(rankCauses({ faults: ['0', '1', '2', '3'], prior, tests }, impossible)).to.equal(null)
  })

  it('learns less from a second look, and nothing is undone by it', () => {
    const test = bookOf('sr')!.tests.find(({ id }) => id === 'nozzle')!
    const network = networkOf(bookOf('sr')!, 'short-cup')
    const plain = network.tests.find(({ id }) => id === test.id)!
    const after = rankCauses(network, [{ test: 'nozzle', outcome: 'gone' }])!
    expect(informationBits(after, lookedAgain(plain, 'gone'))).to.be.lessThan(informationBits(after, plain))
    const twice = rankCauses(network, [
      { test: 'nozzle', outcome: 'gone' },
      { test: 'nozzle', outcome: 'gone' },
    ])!
    const seals = network.faults.indexOf('nozzle-seals')
    expect(twice[seals]).to.be.greaterThan(after[seals]!)
  })

  it('counts what must be done first, once', () => {
    const book = bookOf('c2')!
    const element = book.tests.find(({ id }) => id === 'element')!
    const before = testMinutes(book, element, ['hot'])
    const opened = standingAfter(element, ['hot'])
    expect(opened).to.have.members(['off', 'open'])
    expect(before - testMinutes(book, element, opened)).to.equal(book.toStand.off + book.toStand.open)
  })
})

describe('what the records say before anything is tried (multipliers from memory)', () => {
  const book = bookOf('sr')!
  const of = (evidence: Partial<typeof nothingKnown>) =>
    priorFactors(priorReasons(book, { ...nothingKnown, ...evidence }))

  it('is nothing where nothing is known', () => {
    expect(new Set(Object.values(of({})))).to.deep.equal(new Set([1]))
  })

  /*
   * Weibull’s hazard of shape β at a share u of a life is β·u^(β−1)/λ^β (Weibull 1951, J. Appl. Mech. 18, 293); over ages
   * drawn evenly up to u₀ its mean is u₀^(β−1)/λ^β: at u = u₀ = 1.2 it is β times the mean.
   */
  it('an old seal is likelier, a new one less; what was opened last most of all', () => {
    expect(of({ lifeUsed: { 'nozzle-seals': 1.2 } })['nozzle-seals']).to.be.closeTo(2.2, 1e-9)
    expect(of({ lifeUsed: { 'nozzle-seals': 0.05 } })['nozzle-seals']).to.equal(0.15)
    expect(
      of({ lifeUsed: { 'nozzle-seals': 1.2 }, opened: [{ station: 'nozzle', daysAgo: 3 }] })['nozzle-seals'],
    ).to.be.closeTo(6 * 2.2, 1e-9)
    expect(of({ opened: [{ station: 'nozzle', daysAgo: 20 }] })['nozzle-seals']).to.equal(1)
  })

  it('a descale clears chalk and loosens flakes; standing brings air', () => {
    const descaled = of({ descaledDaysAgo: 5 })
    expect([descaled['block-chalked'], descaled['meter-stands'], descaled['pump-weak']]).to.deep.equal([0.4, 2, 1])
    expect(of({ stoodDays: 30 }).airlock).to.equal(4)
    expect(of({ stoodDays: 10 }).airlock).to.equal(1)
  })

  it('a firm’s own causes move its shares, as so many calls beside the book’s', () => {
    const factors = of({ confirmed: { 'nozzle-seals': 20 } })
    const share = 7 / book.faults.reduce((sum, { per100 }) => sum + per100, 0)
    expect(factors['nozzle-seals']).to.be.closeTo((40 * share + 20) / (60 * share), 1e-9)
    expect(factors.airlock).to.be.closeTo(40 / 60, 1e-9)
  })
})
