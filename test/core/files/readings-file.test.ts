import { expect } from 'chai'
import fc from 'fast-check'
import { judgeRows } from '../../../src/core/files/judge-rows.ts'
import { fittingForms, parseCountCell, parseDateCell } from '../../../src/core/files/parse-cells.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'

describe('cells of a spreadsheet', () => {
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
    it(`"${cell}", ${form}: ${day ?? 'no day'}`, () => expect(parseDateCell(cell, form)).to.equal(day))
  }

  it('read back every day in every form it was written in', () => {
    fc.assert(
      fc.property(fc.integer({ min: toDay('2000-01-01'), max: toDay('2069-12-31') }), (day) => {
        const [y, m, d] = fromDay(day).split('-')
        expect(parseDateCell(`${d}.${m}.${y}`, 'day-first')).to.equal(fromDay(day))
        expect(parseDateCell(`${m}/${d}/${y}`, 'month-first')).to.equal(fromDay(day))
        expect(parseDateCell(`${y}-${m}-${d}`, 'year-first')).to.equal(fromDay(day))
      }),
    )
  })

  it('tell which forms are possible, so that only a doubtful one is asked about', () => {
    expect(fittingForms(['26.11.2026', '3.12.2026'])).to.deep.equal(['day-first'])
    expect(fittingForms(['11/26/2026'])).to.deep.equal(['month-first'])
    expect(fittingForms(['03/04/2026', '05/06/2026'])).to.deep.equal(['day-first', 'month-first'])
    expect(fittingForms(['2026-11-26'])).to.deep.equal(['day-first', 'month-first', 'year-first'])
  })

  const counts: [cell: string, count: number | null][] = [
    ['184220', 184_220],
    ['184,220', 184_220],
    ['184.220', 184_220],
    ['184 220', 184_220],
    ["1'184'220", 1_184_220],
    ['184220.0', 184_220],
    ['7,00', 7],
    ['0', 0],
    [' 12 ', 12],
    ['18.4', null],
    ['1,84,220', null],
    ['184,220.5', null],
    ['-5', null],
    ['12a', null],
    ['', null],
  ]
  for (const [cell, count] of counts)
    it(`"${cell}": ${count ?? 'no count'}`, () => expect(parseCountCell(cell)).to.equal(count))
})

describe('rows of a file against the ledger', () => {
  const open = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6, 7], closures: [] })
  const ledger = Array.from({ length: 6 }, (_, i) => ({
    on: fromDay(toDay('2026-09-07') + i * 7),
    count: 1000 + i * 350,
  }))
  const judge = (rows: [string, number][]) =>
    judgeRows(
      rows.map(([on, count]) => ({ on, count })),
      ledger,
      { open, priorPerOpenDay: 60 },
    )

  it('know what is there already, in the ledger or further up the file', () => {
    expect(
      judge([
        ['2026-09-14', 1350],
        ['2026-10-19', 3100],
        ['2026-10-19', 3100],
      ]),
    ).to.deep.equal(['duplicate', 'taken', 'duplicate'])
  })

  it('refuse what the neighbours refute, also between old readings', () => {
    expect(judge([['2026-09-17', 9000]])).to.deep.equal(['impossible'])
    expect(judge([['2026-09-17', 15]])).to.deep.equal(['impossible'])
    expect(judge([['2026-09-17', 1500]])).to.deep.equal(['taken'])
  })

  it('take a board swap: it happened', () => {
    expect(
      judge([
        ['2026-10-19', 40],
        ['2026-10-26', 380],
      ]),
    ).to.deep.equal(['taken', 'taken'])
  })

  it('do not care in which order the file has them', () => {
    const rows: [string, number][] = [
      ['2026-10-19', 3100],
      ['2026-10-26', 34_500],
      ['2026-11-02', 3800],
      ['2026-09-14', 1350],
    ]
    const forwards = judge(rows)
    expect(judge([...rows].reverse()).reverse()).to.deep.equal(forwards)
    expect(forwards).to.deep.equal(['taken', 'impossible', 'taken', 'duplicate'])
  })
})
