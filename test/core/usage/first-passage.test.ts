import { expect } from 'chai'
import fc from 'fast-check'
import { certainDay, firstPassage, horizonDays, nthOpenDay, passageDay } from '../../../src/core/usage/first-passage.ts'
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

  it('is asked by chance or by day alike: one is the inverse of the other', () => {
    const week = openDays({ openWeekdays: [1, 2, 4, 6], closures: [{ from: '1970-03-01', to: '1970-04-12' }] })
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60_000 }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        fc.double({ min: 1.2, max: 400, noNaN: true }),
        fc.constantFrom(0, 3e-5),
        (count, chance, shape, driftPerDay) => {
          const passage = firstPassage({ shape, rate: shape / 90, dispersion: 1.5, driftPerDay }, count, 10, week)
          const day = passage.dayAt(chance)
          const ever = passage.chanceBy(Number.POSITIVE_INFINITY)
          if (day === null) {
            expect(ever).to.be.at.most(chance + 1e-6)
            return
          }
          expect(passage.chanceBy(day)).to.be.within(chance - 1e-6, ever + 1e-9)
          expect(passage.chanceBy(day - 1)).to.be.at.most(chance + 1e-6)
          expect(passage.chanceBy(9)).to.equal(0)
        },
      ),
    )
    const sure = certainDay(40)
    expect([sure.chanceBy(39), sure.chanceBy(40), sure.dayAt(0.1)]).to.deep.equal([0, 1, 40])
    expect([certainDay(null).chanceBy(Number.POSITIVE_INFINITY), certainDay(null).dayAt(0.5)]).to.deep.equal([0, null])
  })

  it('is no day at all beyond ten years', () => {
    expect(passageDay(rate, 1e7, 0, every, 0.5)).to.equal(null)
    expect(nthOpenDay(every, 0, horizonDays + 1)).to.equal(horizonDays)
    expect(nthOpenDay(every, 0, horizonDays + 2)).to.equal(null)
    expect(nthOpenDay(every, 0, Number.POSITIVE_INFINITY)).to.equal(null)
    expect(nthOpenDay(openDays({ openWeekdays: [], closures: [] }), 0, 1)).to.equal(null)
  })
})
