import { expect } from 'chai'
import fc from 'fast-check'
import { kaplanMeier } from '../../../src/core/lifetimes/kaplan-meier.ts'
import type { Lifetime } from '../../../src/core/lifetimes/lifetime.ts'
import { costRateAt, replacementAge } from '../../../src/core/lifetimes/replacement-age.ts'
import {
  ageAt,
  fitWeibull,
  hazardAt,
  meanLife,
  meanUntil,
  ofCatalogue,
  pseudoFailures,
  survivalAt,
} from '../../../src/core/lifetimes/weibull.ts'
import { lifetimes } from '../../../src/core/topics/lifetimes.ts'
import { replace } from '../../../src/core/topics/replace.ts'

/** Weeks in remission, 6-MP arm; + was still in remission. Freireich et al. 1963, Blood 21, 699. */
const remission: Lifetime[] = '6 6 6 6+ 7 9+ 10 10+ 11+ 13 16 17+ 19+ 20+ 22 23 25+ 32+ 32+ 34+ 35+'
  .split(' ')
  .map((word) => ({ time: Number.parseInt(word, 10), failed: !word.endsWith('+') }))

describe('lives with those still going', () => {
  it('gives the product-limit estimate of the remission data', () => {
    // Published with these data in many handbooks, e.g. Cox & Oakes 1984, Analysis of Survival Data, ch. 1.
    const steps = kaplanMeier(remission)
    expect(steps.map(({ t }) => t)).to.deep.equal([6, 7, 10, 13, 16, 22, 23])
    const published = [0.857, 0.807, 0.753, 0.69, 0.627, 0.538, 0.448]
    published.forEach((survival, i) => {
      expect(steps[i]!.survival).to.be.closeTo(survival, 5e-4)
    })
    // Greenwood's standard error at the first and the last.
    expect(steps[0]!.se).to.be.closeTo(0.0764, 5e-5)
    expect(steps.at(-1)!.se).to.be.closeTo(0.1346, 5e-5)
  })

  it('gives the maximum-likelihood Weibull of the remission data', () => {
    // Own calculation with a standard statistics package.
    const { fit } = fitWeibull(remission)
    expect(fit!.shape).to.be.closeTo(1.354, 5e-4)
    expect(fit!.scale).to.be.closeTo(33.77, 5e-3)
    expect(fit!.logLik).to.be.closeTo(-41.66, 5e-3)
  })

  it('is at the top of its likelihood, and the spread is its curvature there', () => {
    const { fit } = fitWeibull(remission)
    const logLik = (logShape: number, logScale: number) =>
      remission.reduce((sum, { time, failed }) => {
        const life = { shape: Math.exp(logShape), scale: Math.exp(logScale) }
        return sum + (failed ? Math.log(hazardAt(life, time)) : 0) + Math.log(survivalAt(life, time))
      }, 0)
    const [k, l, h] = [Math.log(fit!.shape), Math.log(fit!.scale), 1e-3]
    const top = logLik(k, l)
    for (const [dk, dl] of [
      [h, 0],
      [-h, 0],
      [0, h],
      [0, -h],
    ] as const)
      expect(logLik(k + dk, l + dl)).to.be.below(top)
    const [kk, ll, kl] = [
      (logLik(k + h, l) - 2 * top + logLik(k - h, l)) / h ** 2,
      (logLik(k, l + h) - 2 * top + logLik(k, l - h)) / h ** 2,
      (logLik(k + h, l + h) - logLik(k + h, l - h) - logLik(k - h, l + h) + logLik(k - h, l - h)) / (4 * h ** 2),
    ]
    const determinant = kk * ll - kl ** 2
    expect(fit!.sd.logShape).to.be.closeTo(Math.sqrt(-ll / determinant), 1e-4)
    expect(fit!.sd.logScale).to.be.closeTo(Math.sqrt(-kk / determinant), 1e-4)
  })

  it('finds the curve that made the lives, better the more there are', () => {
    const made = (n: number, shape: number, scale: number, until: number): Lifetime[] =>
      Array.from({ length: n }, (_, i) => {
        const time = ageAt({ shape, scale }, (i + 0.5) / n)
        return time > until ? { time: until, failed: false } : { time, failed: true }
      })
    const { fit } = fitWeibull(made(4000, 2.5, 12, 11))
    expect(fit!.shape).to.be.closeTo(2.5, 0.02)
    expect(fit!.scale).to.be.closeTo(12, 0.05)
  })

  it('does not care in which unit the time is, nor in which order the lives come', () => {
    const lives = fc.array(fc.record({ time: fc.integer({ min: 1, max: 400 }), failed: fc.boolean() }), {
      minLength: 2,
      maxLength: 40,
    })
    fc.assert(
      fc.property(lives, fc.double({ min: 0.01, max: 1000, noNaN: true }), (some, unit) => {
        const [one, other] = [
          fitWeibull(some),
          fitWeibull([...some].reverse().map((life) => ({ ...life, time: life.time * unit }))),
        ]
        expect(one.fit === null).to.equal(other.fit === null)
        if (!one.fit || !other.fit) return
        expect(other.fit.shape).to.be.closeTo(one.fit.shape, 1e-5 * one.fit.shape)
        expect(other.fit.scale / unit).to.be.closeTo(one.fit.scale, 1e-5 * one.fit.scale)
        for (const value of [one.fit.logLik, one.fit.sd.logShape, one.fit.sd.logScale])
          expect(Number.isFinite(value)).to.equal(true)
      }),
    )
  })

  it('weighs as it repeats', () => {
    const twice = fitWeibull([...remission, ...remission]).fit!
    const weighed = fitWeibull(remission.map((life) => ({ ...life, weight: 2 }))).fit!
    expect(weighed.shape).to.be.closeTo(twice.shape, 1e-9)
    expect(weighed.logLik).to.be.closeTo(twice.logLik, 1e-9)
  })

  it('says why where nothing can be fitted', () => {
    expect(fitWeibull([{ time: 4, failed: false }])).to.deep.equal({ fit: null, reason: 'nothing has failed yet' })
    const same = fitWeibull([
      { time: 4, failed: true },
      { time: 4, failed: true },
      { time: 2, failed: false },
    ])
    expect(same).to.have.property('reason').that.contains('at one age')
    expect(() => fitWeibull([{ time: 0, failed: true }])).to.throw(RangeError, 'above 0')
  })
})

describe('a catalogue’s figure', () => {
  it('is the age by which a fifth has failed', () => {
    const life = ofCatalogue(12, 3)
    expect(survivalAt(life, 12)).to.be.closeTo(0.8, 1e-12)
    expect(ageAt(life, 0.2)).to.be.closeTo(12, 1e-9)
    // η = L / (−ln 0.8)^(1/β).
    expect(life.scale).to.be.closeTo(12 / (-Math.log(0.8)) ** (1 / 3), 1e-12)
  })

  it('counts as five failures that lie where it says', () => {
    const life = ofCatalogue(12, 3)
    const { fit } = fitWeibull(pseudoFailures(life))
    expect(pseudoFailures(life)).to.have.length(5)
    expect(fit!.scale).to.be.closeTo(life.scale, life.scale * 0.03)
    // Against many real failures it gives way.
    const real = Array.from({ length: 200 }, (_, i) => ({
      time: ageAt({ shape: 2, scale: 6 }, (i + 0.5) / 200),
      failed: true,
    }))
    expect(fitWeibull([...pseudoFailures(life), ...real]).fit!.scale).to.be.closeTo(6.35, 0.15)
  })
})

describe('the age to change a part', () => {
  it('agrees with the published policy', () => {
    // Barlow & Hunter 1960, Operations Research 8, 90; the values are of its equation solved for these costs.
    expect(replacementAge({ shape: 2, scale: 1 }, { planned: 1, breakdown: 5 }).age).to.be.closeTo(0.5107, 5e-5)
    expect(replacementAge({ shape: 2.5, scale: 1 }, { planned: 1, breakdown: 4 }).age).to.be.closeTo(0.5549, 5e-5)
  })

  it('is where the cost per time is least, whatever the part and the costs', () => {
    const shape = fc.double({ min: 1.05, max: 6, noNaN: true })
    const over = fc.double({ min: 1.2, max: 50, noNaN: true })
    fc.assert(
      fc.property(shape, over, (k, times) => {
        const life = { shape: k, scale: 10 }
        const costs = { planned: 1, breakdown: times }
        const { age, costRate } = replacementAge(life, costs)
        expect(costRate).to.be.at.most(costs.breakdown / meanLife(life) + 1e-9)
        if (age === undefined) return
        for (const near of [0.7, 0.95, 1.05, 1.4])
          expect(costRateAt(life, costs, age * near)).to.be.at.least(costRate - 1e-9)
      }),
    )
  })

  it('lets fail what does not age, or what costs no more when it does', () => {
    expect(replacementAge({ shape: 1, scale: 4 }, { planned: 1, breakdown: 9 })).to.deep.equal({ costRate: 9 / 4 })
    expect(replacementAge({ shape: 3, scale: 4 }, { planned: 5, breakdown: 5 })).to.not.have.property('age')
  })

  it('knows how long one lasts that is changed in time', () => {
    // Shape 1: scale · (1 − e^(−t/scale)); without end, the mean life.
    expect(meanUntil({ shape: 1, scale: 3 }, 2)).to.be.closeTo(3 * (1 - Math.exp(-2 / 3)), 1e-12)
    expect(meanUntil({ shape: 2.2, scale: 3 }, 1e6)).to.be.closeTo(meanLife({ shape: 2.2, scale: 3 }), 1e-9)
    // Γ(1.5) = √π/2 (Abramowitz & Stegun 6.1.9).
    expect(meanLife({ shape: 2, scale: 1 })).to.be.closeTo(Math.sqrt(Math.PI) / 2, 1e-12)
  })
})

describe('the topics', () => {
  const result = (asked: { ok: boolean }) =>
    (asked as unknown as { answer: { result: Record<string, unknown> } }).answer.result
  it('lifetimes answers with both curves, or says why not', () => {
    const asked = { times: remission.map(({ time }) => time), failed: remission.map(({ failed }) => failed) }
    expect(result(lifetimes.ask(asked)).weibull).to.have.keys('shape', 'scale', 'logLik')
    expect(result(lifetimes.ask({ times: [3], failed: [false] }))).to.deep.equal({
      km: [],
      weibullReason: 'nothing has failed yet',
    })
    const uneven = lifetimes.ask({ times: [3, 4], failed: [true] })
    expect(uneven.ok).to.equal(false)
  })

  it('replace leaves the age out where letting it fail is cheaper', () => {
    expect(result(replace.ask({ shape: 2, scale: 1, plannedCost: 1, breakdownCost: 5 })).age).to.be.closeTo(
      0.5107,
      5e-5,
    )
    expect(result(replace.ask({ shape: 0.8, scale: 1, plannedCost: 1, breakdownCost: 5 }))).to.have.keys('costRate')
  })
})
