import { expect } from 'chai'
import fc from 'fast-check'
import { type DateStyle, dateStyles, usualPreferences } from '../../../src/core/firm/preferences.ts'
import { dayNumber, fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { boundsOf, dateForms, dayOf, fittingForms, formsDiffer, readDay } from '../../../src/core/typed/read-day.ts'
import { dayFull, dayLong, dayShort } from '../../../src/ui/format.ts'
import { readPreferencesFrom } from '../../../src/ui/preferences.ts'

describe('a day as people write it', () => {
  const cases: [cell: string, form: 'day-first' | 'month-first' | 'year-first', day: string | null][] = [
    ['26.11.2026', 'day-first', '2026-11-26'],
    ['26/11/26', 'day-first', '2026-11-26'],
    ['26-11-2026', 'day-first', '2026-11-26'],
    ['11/26/2026', 'month-first', '2026-11-26'],
    ['2026-11-26', 'day-first', '2026-11-26'],
    ['2026/11/26', 'month-first', '2026-11-26'],
    ['26-11-26', 'year-first', '2026-11-26'],
    ['26.11.2026 08:15', 'day-first', '2026-11-26'],
    ['2026-11-26T08:15:00Z', 'day-first', '2026-11-26'],
    ['11/26/2026 8:15 PM', 'month-first', '2026-11-26'],
    ['26 Nov 2026', 'day-first', '2026-11-26'],
    ['26. November 26', 'day-first', '2026-11-26'],
    ['46352', 'day-first', '2026-11-26'],
    ['31.11.2026', 'day-first', null],
    ['11/26/2026', 'day-first', null],
    ['26 Nonsense 2026', 'day-first', null],
    ['12345', 'day-first', null],
    ['', 'day-first', null],
    ['soon', 'day-first', null],
  ]
  for (const [cell, form, day] of cases) {
    it(`"${cell}", ${form}: ${day ?? 'no day'}`, () => expect(dayOf(cell, form)).to.equal(day))
  }

  it('read back every day in every form it was written in', () => {
    fc.assert(
      fc.property(fc.integer({ min: toDay('2000-01-01'), max: toDay('2069-12-31') }), (day) => {
        const [y, m, d] = fromDay(day).split('-')
        expect(dayOf(`${d}.${m}.${y}`, 'day-first')).to.equal(fromDay(day))
        expect(dayOf(`${m}/${d}/${y}`, 'month-first')).to.equal(fromDay(day))
        expect(dayOf(`${y}-${m}-${d}`, 'year-first')).to.equal(fromDay(day))
      }),
    )
  })

  it('tell which forms are possible, so that only a doubtful one is asked about', () => {
    expect(fittingForms(['26.11.2026', '3.12.2026'])).to.deep.equal(['day-first'])
    expect(fittingForms(['11/26/2026'])).to.deep.equal(['month-first'])
    expect(fittingForms(['03/04/2026', '05/06/2026'])).to.deep.equal(['day-first', 'month-first'])
    expect(fittingForms(['2026-11-26'])).to.deep.equal(['day-first', 'month-first', 'year-first'])
  })

  const more: [cell: string, form: 'day-first' | 'month-first', day: string | null][] = [
    ['Nov 26, 2026', 'month-first', '2026-11-26'],
    ['November 26th, 2026', 'day-first', '2026-11-26'],
    ['26th of November 2026', 'day-first', '2026-11-26'],
    ['Do 26.11.2026', 'day-first', '2026-11-26'],
    ['Thu 26 Nov 2026', 'month-first', '2026-11-26'],
    ['26. Mrz. 2024', 'day-first', '2024-03-26'],
    ['3. März 2024', 'day-first', '2024-03-03'],
    ['1er août 2023', 'day-first', '2023-08-01'],
    ['12 déc. 2023', 'day-first', '2023-12-12'],
    ['3 de mayo de 2021', 'day-first', '2021-05-03'],
    ['20261126', 'day-first', '2026-11-26'],
    ['26.11.26', 'day-first', '2026-11-26'],
    ['26 . 11 . 2026', 'day-first', '2026-11-26'],
    ['26.11.2026 8.15 Uhr', 'day-first', '2026-11-26'],
    ['46352.34', 'day-first', '2026-11-26'],
    ['1/2/3', 'day-first', '2003-02-01'],
    ['26.11.', 'day-first', null],
    ['2026-02-30', 'day-first', null],
    ['13/13/2026', 'day-first', null],
    ['Q3 2024', 'day-first', null],
    ['n/a', 'day-first', null],
  ]
  for (const [cell, form, day] of more)
    it(`"${cell}", ${form}: ${day ?? 'no day'}`, () => expect(dayOf(cell, form)).to.equal(day))

  it('known to the month or the year is kept as its middle, and says so', () => {
    const known = (cell: string) => {
      const read = readDay(cell, 'day-first')
      return read.is === 'value' ? read.value : read.is
    }
    for (const cell of ['03/2024', '3.2024', '2024-03', 'Mar 2024', 'März 24', 'mars 2024'])
      expect(known(cell), cell).to.deep.equal({ on: '2024-03-16', known: 'month' })
    expect(known('2023')).to.deep.equal({ on: '2023-07-01', known: 'year' })
    expect(boundsOf({ on: '2024-02-16', known: 'month' })).to.deep.equal({ from: '2024-02-01', to: '2024-02-29' })
    expect(boundsOf({ on: '2023-07-01', known: 'year' })).to.deep.equal({ from: '2023-01-01', to: '2023-12-31' })
    expect(boundsOf({ on: '2023-07-01' })).to.deep.equal({ from: '2023-07-01', to: '2023-07-01' })
    expect(known('13/2024')).to.equal('wrong')
    expect(known('unbekannt')).to.equal('unknown')
  })

  it('without a year is the last such day, where today is known', () => {
    const read = (cell: string, form: 'day-first' | 'month-first' = 'day-first') => {
      const typed = readDay(cell, form, '2026-11-28')
      return typed.is === 'value' ? typed.value.on : typed.is
    }
    expect(read('26.11.')).to.equal('2026-11-26')
    expect(read('11/26', 'month-first')).to.equal('2026-11-26')
    expect(read('24 Dec')).to.equal('2025-12-24')
    expect(read('29.2.')).to.equal('wrong')
  })

  it('is read back in every form a firm can choose, as this application prints it', () => {
    const style: Record<DateStyle, 'day-first' | 'month-first'> = {
      words: 'day-first',
      iso: 'day-first',
      dots: 'day-first',
      dayFirst: 'day-first',
      monthFirst: 'month-first',
    }
    fc.assert(
      fc.property(
        fc.integer({ min: toDay('1990-01-01'), max: toDay('2069-12-31') }),
        fc.constantFrom(...dateStyles),
        (number, dateForm) => {
          const day = fromDay(number)
          readPreferencesFrom(() => ({ ...usualPreferences, dateForm }))
          try {
            expect(dayOf(dayLong(day), style[dateForm])).to.equal(day)
            expect(dayOf(dayFull(day), style[dateForm])).to.equal(day)
            const short = readDay(dayShort(day), style[dateForm], `${day.slice(0, 4)}-12-31`)
            // As ISO, month and day alone could be anything.
            if (dateForm !== 'iso') expect(short).to.deep.equal({ is: 'value', value: { on: day } })
          } finally {
            readPreferencesFrom(() => usualPreferences)
          }
        },
      ),
    )
  })

  it('asks for the form only where it changes a day', () => {
    expect(formsDiffer(['03/04/2026'], ['day-first', 'month-first'])).to.equal(true)
    expect(formsDiffer(['3 Apr 2026', '2026-04-03', '04/2026'], ['day-first', 'month-first'])).to.equal(false)
    expect(fittingForms(['', '?', '26.11.2026'])).to.deep.equal(['day-first'])
  })

  it('is never thrown over, whatever stands in the cell', () => {
    const piece = fc.constantFrom('1', '26', '11', '2026', '99', '.', '/', '-', ' ', 'Nov', 'mars', 'T', ':', '30', ',')
    const cell = fc.oneof(
      fc.string({ maxLength: 14 }),
      fc.array(piece, { maxLength: 7 }).map((some) => some.join('')),
    )
    fc.assert(
      fc.property(cell, fc.constantFrom(...dateForms), (text, form) => {
        const read = readDay(text, form)
        if (read.is === 'value') expect(dayNumber(read.value.on)).to.be.a('number')
      }),
      { numRuns: 50_000 },
    )
  })
})
