import { expect } from 'chai'
import fc from 'fast-check'
import { jStat } from 'jstat'
import {
  betaOf,
  gammaCdf,
  gammaQuantile,
  logGamma,
  whereReaches,
} from '../../../src/core/quantity/special-functions.ts'

describe('special functions, against an independent library', () => {
  const shape = fc.double({ min: 0.2, max: 300, noNaN: true })

  it('log-gamma', () => {
    expect(logGamma(5)).to.be.closeTo(Math.log(24), 1e-12)
    fc.assert(
      fc.property(shape, (x) => {
        expect(logGamma(x)).to.be.closeTo(jStat.gammaln(x), 1e-8 * Math.max(1, x))
      }),
    )
  })

  it('gamma distribution', () => {
    fc.assert(
      fc.property(shape, fc.double({ min: 0.05, max: 3, noNaN: true }), (a, ratio) => {
        expect(gammaCdf(a, a * ratio)).to.be.closeTo(jStat.gamma.cdf(a * ratio, a, 1), 1e-7)
      }),
    )
    expect(gammaCdf(1, 1)).to.be.closeTo(1 - Math.exp(-1), 1e-12)
  })

  it('beta distribution', () => {
    fc.assert(
      fc.property(shape, shape, fc.double({ min: 0.001, max: 0.999, noNaN: true }), (a, b, x) => {
        expect(betaOf(a, b).below(x)).to.be.closeTo(jStat.beta.cdf(x, a, b), 1e-7)
      }),
    )
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (a, b, chance) => {
          const place = betaOf(a, b).quantile(chance)
          fc.pre(place !== null)
          expect(jStat.beta.cdf(place!, a, b)).to.be.closeTo(chance, 1e-5)
        },
      ),
    )
    expect([betaOf(2, 3).below(0), betaOf(2, 3).below(1)]).to.deep.equal([0, 1])
  })

  it('quantiles undo the distribution', () => {
    fc.assert(
      fc.property(shape, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (a, chance) => {
        expect(gammaCdf(a, gammaQuantile(chance, a, 2) * 2)).to.be.closeTo(chance, 1e-6)
      }),
    )
  })

  it('finds where a chance is reached from a poor guess, and says when it never is', () => {
    expect(whereReaches(0.5, (x) => 1 - Math.exp(-x), 1e-4, 0.1)).to.be.closeTo(Math.log(2), 1e-6)
    expect(whereReaches(0.5, (x) => 1 - Math.exp(-x), 1e4, 0.1)).to.be.closeTo(Math.log(2), 1e-6)
    expect(whereReaches(0.5, () => 0.2, 1, 1)).to.equal(Number.POSITIVE_INFINITY)
  })
})
