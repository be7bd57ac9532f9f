import { expect } from 'chai'
import fc from 'fast-check'
import { type Grade, lifeSd, lookShare, multiplierAfter } from '../../../src/core/wear/seen-condition.ts'

const grade = fc.constantFrom<Grade>(0, 1, 2, 3, 4)
const share = fc.double({ min: 0.02, max: 4, noNaN: true })
const sd = fc.double({ min: 0.2, max: 1, noNaN: true })

describe('a look at a part', () => {
  it('says nothing new where it looks as it should, and narrows what was thought', () => {
    for (const one of [0, 1, 2, 3] as const) {
      const { p10, p50, p90 } = multiplierAfter(one, lookShare(one), 0.45)
      expect(p50, String(one)).to.be.closeTo(1, 0.01)
      expect(Math.log(p90 / p10)).to.be.below(0.45 * 2 * 1.2816)
    }
  })

  it('agrees with the closed form: two normals about a logarithm make a third', () => {
    // Posterior mean of the log multiplier: prior N(0, s²), one observation ln(used / look) with its own sd.
    for (const [one, used, s] of [
      [1, 0.8, 0.45],
      [2, 0.3, 0.6],
      [3, 1.4, 0.43],
    ] as const) {
      const own = [0.6, 0.35, 0.25, 0.15][one]!
      const weight = s ** 2 / (s ** 2 + own ** 2)
      const mean = weight * Math.log(used / lookShare(one))
      expect(Math.log(multiplierAfter(one, used, s).p50), String(one)).to.be.closeTo(mean, 0.02)
    }
  })

  it('of one that failed only says that its life was over', () => {
    expect(multiplierAfter(4, 0.5, 0.45).p50).to.be.below(0.5)
    // Failed long past the usual life: it may have been over at any time before.
    const late = multiplierAfter(4, 5, 0.45)
    expect(late.p50).to.be.closeTo(1, 0.05)
  })

  it('is monotone: worse at the same use lasts shorter, more used at the same look lasts longer', () => {
    fc.assert(
      fc.property(share, sd, (used, s) => {
        const lives = ([0, 1, 2, 3] as const).map((one) => multiplierAfter(one, used, s).p50)
        for (const [i, life] of lives.entries()) if (i > 0) expect(life).to.be.at.most(lives[i - 1]! + 1e-6)
      }),
    )
    fc.assert(
      fc.property(grade, share, sd, (one, used, s) => {
        const [now, more] = [multiplierAfter(one, used, s), multiplierAfter(one, used * 1.3, s)]
        expect(more.p50).to.be.at.least(now.p50 - 1e-6)
        for (const { p10, p50, p90, points } of [now, more]) {
          expect(p10 <= p50 && p50 <= p90).to.equal(true)
          expect(points.reduce((sum, { weight }) => sum + weight, 0)).to.be.closeTo(1, 1e-9)
          expect(p10).to.be.above(0)
        }
      }),
    )
  })

  it('takes its spread from the shape of the part: an extreme-value logarithm', () => {
    // π/√6 = 1.2825, the sd of the logarithm of a Weibull life of shape 1 (Johnson & Kotz, Continuous Univariate
    // Distributions I, ch. 21); the tables round it to 1.283.
    expect(lifeSd(1)).to.be.closeTo(1.2825, 1e-4)
    expect(lifeSd(3)).to.be.closeTo(0.428, 1e-3)
    expect(lifeSd(undefined)).to.equal(0.45)
  })
})
