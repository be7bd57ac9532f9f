import { expect } from 'chai'
import fc from 'fast-check'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { passageDay } from '../../../src/core/usage/first-passage.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'
import { chanceReached, meanRate, rateFrom, rateQuantile, waitingFor } from '../../../src/core/usage/rate.ts'
import { dice } from '../../../src/demo/dice.ts'

const weekly = (perDay: number, weeks: number) =>
  Array.from({ length: weeks }, (_, i) => ({ count: perDay * 7, openDays: 7, ageDays: i * 7 }))

describe('gamma–Poisson rate', () => {
  it('is the prior where nothing was counted: gamma of shape 1', () => {
    const rate = rateFrom([], 60)
    expect(meanRate(rate)).to.be.closeTo(60, 1e-9)
    // Exponential: its median is mean × ln 2.
    expect(rateQuantile(rate, 0.5)).to.be.closeTo(60 * Math.LN2, 1e-4)
  })

  it('learns nothing from a rise over no open day', () => {
    const none = rateFrom([{ count: 900, openDays: 0, ageDays: 0 }], 60)
    expect(none).to.deep.equal(rateFrom([], 60))
  })

  it('finds the rate that made the counts, and forgets: half the weight every 60 days', () => {
    expect(meanRate(rateFrom(weekly(100, 20), 60))).to.be.closeTo(100, 1)
    const changed = [...weekly(100, 8), ...weekly(20, 30).map((rise) => ({ ...rise, ageDays: rise.ageDays + 300 }))]
    expect(meanRate(rateFrom(changed, 60))).to.be.above(90)
  })

  it('is less sure the more the days scatter', () => {
    const calm = weekly(100, 12)
    const wild = calm.map((rise, i) => ({ ...rise, count: rise.count * (i % 2 ? 1.4 : 0.6) }))
    const width = (rises: typeof calm) =>
      rateQuantile(rateFrom(rises, 60), 0.9) - rateQuantile(rateFrom(rises, 60), 0.1)
    expect(width(wild)).to.be.above(3 * width(calm))
  })

  it('gives the waiting time a simulation of the same model gives', () => {
    const d = dice('first passage')
    const rate = { shape: 30, rate: 0.5, dispersion: 1 }
    const gamma = (shape: number) =>
      -Array.from({ length: shape }, () => Math.log(1 - d.next())).reduce((a, b) => a + b, 0)
    const count = 400
    const times = Array.from({ length: 4000 }, () => gamma(count) / (gamma(rate.shape) / rate.rate)).sort(
      (a, b) => a - b,
    )
    for (const chance of [0.1, 0.5, 0.9]) {
      const simulated = times[Math.floor(chance * times.length)]!
      expect(waitingFor(rate, count).until(chance)).to.be.closeTo(simulated, simulated * 0.03)
    }
  })

  it('undoes itself: the chance at a quantile is that chance', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 500, noNaN: true }),
        fc.integer({ min: 1, max: 50_000 }),
        fc.constantFrom(0.1, 0.5, 0.9),
        (shape, count, chance) => {
          const rate = { shape, rate: shape / 80, dispersion: 3 }
          expect(chanceReached(rate, count, waitingFor(rate, count).until(chance))).to.be.closeTo(chance, 1e-4)
        },
      ),
    )
  })

  it('is never due earlier with fewer shots, and never out of order', () => {
    const open = openDays({
      openWeekdays: [1, 2, 3, 4, 5],
      closures: [{ from: '2026-12-24', to: '2027-01-02' }],
    })
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 200 }),
        fc.integer({ min: 1, max: 100 }),
        fc.integer({ min: 100, max: 9000 }),
        (perDay, fewer, count) => {
          const from = toDay('2026-11-26')
          const due = (pace: number, chance: number) =>
            passageDay(rateFrom(weekly(pace, 10), 60), count, from, open, chance) ?? Number.POSITIVE_INFINITY
          expect(due(Math.max(1, perDay - fewer), 0.5)).to.be.at.least(due(perDay, 0.5))
          expect(due(perDay, 0.1)).to.be.at.most(due(perDay, 0.5))
          expect(due(perDay, 0.5)).to.be.at.most(due(perDay, 0.9))
        },
      ),
      { numRuns: 60 },
    )
  })
})
