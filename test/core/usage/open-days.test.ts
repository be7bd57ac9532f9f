import { expect } from 'chai'
import fc from 'fast-check'
import { fromDay, toDay, weekday } from '../../../src/core/quantity/local-day.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'

const start = toDay('2026-01-01')
const opening = fc.record({
  openWeekdays: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }),
  closures: fc.array(
    fc
      .tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 40 }))
      .map(([from, length]) => ({ from: fromDay(start + from), to: fromDay(start + from + length) })),
    { maxLength: 5 },
  ),
})

describe('open days', () => {
  it('count like a walk through the calendar', () => {
    fc.assert(
      fc.property(
        opening,
        fc.integer({ min: -50, max: 300 }),
        fc.integer({ min: 0, max: 200 }),
        (given, from, length) => {
          const isOpen = (day: number) =>
            given.openWeekdays.includes(weekday(day)) &&
            !given.closures.some((c) => fromDay(day) >= c.from && fromDay(day) <= c.to)
          const walked = Array.from({ length }, (_, i) => start + from + i).filter(isOpen).length
          expect(openDays(given).count(start + from, start + from + length)).to.equal(walked)
        },
      ),
    )
  })

  it('find the n-th open day: the count up to its end is n', () => {
    fc.assert(
      fc.property(opening, fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 120 }), (given, from, n) => {
        const open = openDays(given)
        const day = open.nth(start + from, n)!
        expect(open.count(start + from, day + 1)).to.equal(n)
        expect(open.count(day, day + 1)).to.equal(1)
      }),
    )
  })

  it('has no open day where a closure covers all', () => {
    const shut = openDays({ openWeekdays: [1], closures: [{ from: '2020-01-01', to: '2090-01-01' }] })
    expect(shut.nth(start, 1)).to.equal(null)
  })

  const months = fc.array(fc.integer({ min: 2, max: 60 }), { minLength: 12, maxLength: 12 })

  it('weigh each day by its month, like a walk through the calendar', () => {
    fc.assert(
      fc.property(
        opening,
        months,
        fc.integer({ min: -500, max: 300 }),
        fc.integer({ min: 0, max: 500 }),
        (given, tenths, from, length) => {
          const open = openDays({ ...given, months: tenths.map((share) => share / 10) })
          const walked = Array.from({ length }, (_, i) => start + from + i).reduce(
            (sum, day) => sum + open.plain.count(day, day + 1) * (tenths[Number(fromDay(day).slice(5, 7)) - 1]! / 10),
            0,
          )
          expect(open.count(start + from, start + from + length)).to.be.closeTo(walked, 1e-6)
          expect(open.plain.count(start + from, start + from + length)).to.equal(
            openDays(given).count(start + from, start + from + length),
          )
        },
      ),
    )
  })

  it('find the day a weighed count is reached: not the day before', () => {
    fc.assert(
      fc.property(opening, months, fc.double({ min: 0.5, max: 200, noNaN: true }), (given, tenths, n) => {
        const open = openDays({ ...given, months: tenths.map((share) => share / 10) })
        const day = open.nth(start, n)!
        expect(open.count(start, day + 1)).to.be.at.least(n - 1e-6)
        expect(open.count(start, day)).to.be.below(n + 1e-6)
      }),
    )
  })
})
