import { expect } from 'chai'
import fc from 'fast-check'
import { horizonDays, nthOpenDay, passageDay } from '../../../src/core/usage/first-passage.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'
import { chanceReached, type Rate } from '../../../src/core/usage/rate.ts'

const every = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [] })
const rate: Rate = { shape: 200, rate: 2, dispersion: 1.5 }

describe('the day a count is passed', () => {
  it('is today where nothing is left, and the first open day for anything more', () => {
    expect(passageDay(rate, 0, 100, every, 0.5)).to.equal(100)
    expect(passageDay(rate, 1, 100, every, 0.5)).to.equal(100)
    const weekdays = openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [] })
    // Day number 2 is a Saturday.
    expect(passageDay(rate, 1, 2, weekdays, 0.5)).to.equal(4)
  })

  it('has the chance it was asked for: by then so likely, the day before less', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 50, max: 20_000 }),
        fc.constantFrom(0.1, 0.5, 0.9),
        fc.double({ min: 3, max: 400, noNaN: true }),
        (count, chance, shape) => {
          const use: Rate = { shape, rate: shape / 100, dispersion: 1.5 }
          const days = passageDay(use, count, 0, every, chance)
          fc.pre(days !== null)
          expect(chanceReached(use, count, days! + 1)).to.be.at.least(chance - 1e-6)
          if (days! > 0) expect(chanceReached(use, count, days!)).to.be.at.most(chance + 1e-6)
        },
      ),
    )
  })

  it('is no day at all beyond ten years', () => {
    expect(passageDay(rate, 1e7, 0, every, 0.5)).to.equal(null)
    expect(nthOpenDay(every, 0, horizonDays + 1)).to.equal(horizonDays)
    expect(nthOpenDay(every, 0, horizonDays + 2)).to.equal(null)
    expect(nthOpenDay(every, 0, Number.POSITIVE_INFINITY)).to.equal(null)
    expect(nthOpenDay(openDays({ openWeekdays: [], closures: [] }), 0, 1)).to.equal(null)
  })
})
