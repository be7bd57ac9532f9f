import { expect } from 'chai'
import { differenceInCalendarDays, getISODay, addMonths as libraryAddMonths } from 'date-fns'
import fc from 'fast-check'
import { addMonths, dayNumber, fromDay, monthsBetween, toDay, weekday } from '../../../src/core/quantity/local-day.ts'

const someDay = fc.integer({ min: toDay('1990-01-01'), max: toDay('2060-12-31') })
// date-fns counts in the machine's own zone: noon keeps clear of its clock changes.
const noon = (day: number) => new Date(`${fromDay(day)}T12:00:00`)
const text = (date: Date) =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`

describe('local days, against an independent library', () => {
  it('count days and weekdays', () => {
    fc.assert(
      fc.property(someDay, someDay, (a, b) => {
        expect(toDay(fromDay(a))).to.equal(a)
        expect(b - a).to.equal(differenceInCalendarDays(noon(b), noon(a)))
        expect(weekday(a)).to.equal(getISODay(noon(a)))
      }),
    )
  })

  it('add whole months as calendars do', () => {
    fc.assert(
      fc.property(someDay, fc.integer({ min: 0, max: 150 }), (day, months) => {
        expect(fromDay(addMonths(day, months))).to.equal(text(libraryAddMonths(noon(day), months)))
      }),
    )
    expect(fromDay(addMonths(toDay('2026-01-31'), 1))).to.equal('2026-02-28')
  })

  it('refuse what is no day', () => {
    for (const wrong of ['2026-02-30', '2026-13-01', '26-01-01', '', '2026-1-1'])
      expect(dayNumber(wrong), wrong).to.equal(null)
    expect(() => toDay('2026-02-30')).to.throw(RangeError, '2026-02-30')
  })

  it('measure months so that adding them leads back', () => {
    fc.assert(
      fc.property(someDay, fc.integer({ min: 0, max: 60 }), (day, months) => {
        expect(monthsBetween(day, addMonths(day, months))).to.be.closeTo(months, 0.11)
      }),
    )
  })
})
