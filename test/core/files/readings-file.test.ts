import { expect } from 'chai'
import { judgeRows } from '../../../src/core/files/judge-rows.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'

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
