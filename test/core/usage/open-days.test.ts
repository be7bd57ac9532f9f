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
})
