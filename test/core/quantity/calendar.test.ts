import { expect } from 'chai'
import { differenceInMonths, format, getISODay, addMonths as libraryAddMonths } from 'date-fns'
import fc from 'fast-check'
import { addMonths, dayNumber, fromDay, monthsBetween, toDay, weekday } from '../../../src/core/quantity/local-day.ts'

/** A day as a general-purpose library has it; noon keeps zones out of it. */
const asDate = (number: number) => {
  const [year, month, day] = fromDay(number).split('-').map(Number) as [number, number, number]
  return new Date(year, month - 1, day, 12)
}
const text = (date: Date) => format(date, 'yyyy-MM-dd')
/** From 1900 to 2199: leap centuries are in it. */
const day = fc.integer({ min: -25_567, max: 84_005 })

describe('the calendar, against a general-purpose library', () => {
  it('reads and writes the same days', () => {
    fc.assert(
      fc.property(day, (number) => {
        expect(toDay(fromDay(number))).to.equal(number)
        expect(text(asDate(number))).to.equal(fromDay(number))
        expect(fromDay(number + 1) > fromDay(number)).to.equal(true)
      }),
      { numRuns: 2000 },
    )
  })

  it('has the same weekdays', () => {
    fc.assert(
      fc.property(day, (number) => {
        expect(weekday(number)).to.equal(getISODay(asDate(number)))
      }),
    )
  })

  it('adds the same months, the last of a short month included', () => {
    fc.assert(
      fc.property(day, fc.integer({ min: -240, max: 240 }), (number, months) => {
        expect(fromDay(addMonths(number, months))).to.equal(text(libraryAddMonths(asDate(number), months)))
      }),
      { numRuns: 2000 },
    )
  })

  it('counts the same whole months between two days', () => {
    fc.assert(
      fc.property(day, fc.integer({ min: 0, max: 6000 }), (number, later) => {
        const [from, to] = [asDate(number), asDate(number + later)]
        // On the last day of a shorter month the library counts the month as full; a technician does too.
        expect(
          Math.abs(Math.floor(monthsBetween(number, number + later) + 1e-9) - differenceInMonths(to, from)),
        ).to.be.at.most(Number(fromDay(number).slice(8)) > 28 ? 1 : 0)
      }),
      { numRuns: 2000 },
    )
  })

  it('goes forward with time, a part of a month included', () => {
    fc.assert(
      fc.property(day, fc.integer({ min: 0, max: 3000 }), (number, later) => {
        expect(monthsBetween(number, number + later + 1)).to.be.above(monthsBetween(number, number + later))
        expect(monthsBetween(number, number + later)).to.be.closeTo(later / 30.4375, 0.15)
      }),
    )
  })

  it('refuses what is no day', () => {
    for (const wrong of [
      '2026-02-29',
      '2100-02-29',
      '2026-13-01',
      '2026-00-10',
      '2026-1-1',
      '26-01-01',
      '2026-01-01T',
      '',
    ])
      expect(dayNumber(wrong), wrong).to.equal(null)
    for (const right of ['2024-02-29', '2000-02-29', '1999-12-31']) expect(dayNumber(right), right).to.be.a('number')
    expect(() => toDay('soon')).to.throw(RangeError)
  })
})
