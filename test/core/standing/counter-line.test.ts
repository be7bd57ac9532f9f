import { expect } from 'chai'
import fc from 'fast-check'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { counterLine } from '../../../src/core/standing/counter-line.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'
import { meanRate } from '../../../src/core/usage/rate.ts'
import { reading } from './a-history.ts'

const open = openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [{ from: '2026-08-03', to: '2026-08-16' }] })
const start = toDay('2026-01-05')
type Reading = Parameters<typeof counterLine>[0][number]
const line = (readings: [string, number][], movedOn: string[] = [], asOf = '2026-10-05') =>
  counterLine(
    readings.map(([on, count]) => reading(on, count) as Reading),
    'shots',
    open,
    60,
    toDay(asOf),
    start,
    movedOn.map(toDay),
  )

describe('a counter through time', () => {
  it('runs straight between two readings, over open days alone', () => {
    const use = line([
      ['2026-06-01', 10_000],
      ['2026-06-29', 12_000],
    ])
    // Four weeks of five days: a hundred a day.
    expect(use.totalAt(toDay('2026-06-08')) - use.totalAt(toDay('2026-06-01'))).to.equal(500)
    expect(use.totalAt(toDay('2026-06-06'))).to.equal(use.totalAt(toDay('2026-06-08')))
    expect(use.intervals).to.deep.equal([
      { fromDay: toDay('2026-06-01'), toDay: toDay('2026-06-29'), count: 2000, openDays: 20 },
    ])
  })

  it('stands still while the place is closed', () => {
    const use = line([
      ['2026-07-06', 0],
      ['2026-08-03', 2000],
    ])
    expect(use.totalAt(toDay('2026-08-17'))).to.equal(use.totalAt(toDay('2026-08-03')))
    expect(use.totalAt(toDay('2026-08-18')) - use.totalAt(toDay('2026-08-17'))).to.be.closeTo(meanRate(use.rate), 1e-9)
  })

  it('goes on at the mean rate after the last reading and before the first', () => {
    const use = line([
      ['2026-06-01', 10_000],
      ['2026-06-29', 12_000],
    ])
    const perWeek = meanRate(use.rate) * 5
    expect(use.totalAt(toDay('2026-07-13')) - use.totalAt(toDay('2026-07-06'))).to.be.closeTo(perWeek, 1e-9)
    expect(use.totalAt(toDay('2026-06-01')) - use.totalAt(toDay('2026-05-25'))).to.be.closeTo(perWeek, 1e-9)
  })

  it('knows nothing but what such machines make where nobody read it', () => {
    const use = line([])
    expect(use.last).to.equal(null)
    expect(meanRate(use.rate)).to.equal(60)
    expect(use.totalAt(start + 7)).to.equal(300)
  })

  it('bridges a board swap: the total goes on, the count begins anew', () => {
    const use = line([
      ['2026-06-01', 50_000],
      ['2026-06-29', 52_000],
      ['2026-07-06', 120],
      ['2026-07-20', 1120],
    ])
    expect(use.flags.map(({ kind }) => kind)).to.deep.equal(['reset'])
    expect(use.last!.count).to.equal(1120)
    expect(use.last!.total).to.be.above(3000)
    // No interval touches the swap.
    expect(use.intervals.map(({ count }) => count)).to.deep.equal([2000, 1000])
  })

  it('forgets at a new place what it made at the old one', () => {
    const readings: [string, number][] = [
      ['2026-05-04', 0],
      ['2026-06-01', 4000],
      ['2026-06-29', 8000],
      ['2026-07-13', 8200],
      ['2026-07-27', 8400],
    ]
    const moved = line(readings, ['2026-06-29'], '2026-07-27')
    expect(meanRate(moved.rate)).to.be.within(18, 24)
    expect(meanRate(line(readings, [], '2026-07-27').rate)).to.be.above(80)
    expect(moved.last!.total).to.equal(8400)
  })

  it('passes an amount on the day its line does, in the past and to come', () => {
    const use = line([
      ['2026-06-01', 10_000],
      ['2026-06-29', 12_000],
    ])
    const from = toDay('2026-06-01')
    // The 500th is made on Friday the 5th, the 501st on Monday.
    expect(fromDay(use.dayAfter(from, 500, 0.5)!)).to.equal('2026-06-05')
    expect(fromDay(use.dayAfter(from, 501, 0.5)!)).to.equal('2026-06-08')
    const [soon, middle, late] = [0.1, 0.5, 0.9].map((chance) => use.dayAfter(from, 6000, chance)!)
    expect(soon! <= middle! && middle! <= late!).to.equal(true)
    expect(soon!).to.be.above(toDay('2026-06-29'))
  })

  it('never runs backwards', () => {
    const counts = fc.array(fc.integer({ min: 0, max: 4000 }), { minLength: 1, maxLength: 12 })
    fc.assert(
      fc.property(
        counts,
        fc.integer({ min: -100, max: 500 }),
        fc.integer({ min: 0, max: 400 }),
        (rises, day, later) => {
          let count = 0
          const readings = rises.map((rise, i): [string, number] => {
            count += rise
            return [fromDay(start + 28 * i), count]
          })
          const use = line(readings)
          expect(use.totalAt(start + day + later)).to.be.at.least(use.totalAt(start + day) - 1e-9)
          const [sooner, all] = [use.dayAfter(start + day, 50, 0.5), use.dayAfter(start + day, 500, 0.5)]
          if (sooner !== null && all !== null) expect(all).to.be.at.least(sooner)
        },
      ),
      { numRuns: 300 },
    )
  })
})
