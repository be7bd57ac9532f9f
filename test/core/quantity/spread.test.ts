import { expect } from 'chai'
import fc from 'fast-check'
import { jStat } from 'jstat'
import { normalCdf, normalQuantile } from '../../../src/core/quantity/normal.ts'
import { atChance, learned, product, spreadOf } from '../../../src/core/quantity/spread.ts'

describe('the normal distribution', () => {
  it('agrees with an independent statistics library', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-6, max: 1 - 1e-6, noNaN: true }), (chance) => {
        expect(normalQuantile(chance)).to.be.closeTo(jStat.normal.inv(chance, 0, 1), 1e-6)
        expect(normalCdf(normalQuantile(chance))).to.be.closeTo(chance, 1e-9)
      }),
    )
  })

  // Wichura 1988, Applied Statistics 37, 477: the check values printed with AS 241.
  for (const [chance, z] of [
    [0.25, -0.6744897501960817],
    [0.001, -3.090232306167814],
    [1e-20, -9.26234008979841],
  ] as const)
    it(`has the printed quantile at ${chance}`, () => expect(normalQuantile(chance)).to.be.closeTo(z, 1e-12))

  it('ends where chances end', () => {
    expect(normalQuantile(0)).to.equal(Number.NEGATIVE_INFINITY)
    expect(normalQuantile(1)).to.equal(Number.POSITIVE_INFINITY)
  })
})

describe('a spread', () => {
  it('comes back to the range it was given with', () => {
    const stick = spreadOf(0.3, 0.05, 0.5)
    expect(atChance(stick, 0.05)).to.be.closeTo(0.05, 1e-9)
    expect(atChance(stick, 0.5)).to.be.closeTo(0.3, 1e-12)
    expect(atChance(stick, 0.95)).to.be.closeTo(0.5, 1e-9)
    expect(spreadOf(10, 10, 10)).to.deep.equal({ value: 10, below: 0, above: 0 })
  })

  it('multiplies values and adds what is not known in quadrature', () => {
    const both = product({ value: 2, below: 0.3, above: 0.4 }, { value: 5, below: 0.4, above: 0.3 })
    expect(both).to.deep.equal({ value: 10, below: 0.5, above: 0.5 })
  })

  it('learns as two normal figures do: precisions add', () => {
    // Closed form: a normal prior of sd 0.4 and a normal observation of sd 0.3 at log 1.5.
    const prior = { value: 1, below: 0.4, above: 0.4 }
    const seen = Math.log(1.5)
    const found = learned(prior, [(value) => Math.exp(-(((Math.log(value) - seen) / 0.3) ** 2) / 2)])
    const precision = 1 / 0.4 ** 2 + 1 / 0.3 ** 2
    expect(Math.log(found.value)).to.be.closeTo(seen / 0.3 ** 2 / precision, 0.01)
    expect(found.below).to.be.closeTo(1 / Math.sqrt(precision), 0.01)
    expect(found.above).to.be.closeTo(found.below, 0.01)
  })

  it('keeps what it believed where nothing is seen, and refuses the impossible', () => {
    const prior = spreadOf(35, 28, 42)
    expect(learned(prior, [])).to.equal(prior)
    expect(() => learned(prior, [() => 0])).to.throw(RangeError)
  })
})
