import { expect } from 'chai'
import { counterForecast } from '../../../src/core/standing/counter-forecast.ts'
import { counterLine } from '../../../src/core/standing/counter-line.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'
import { entry } from './a-history.ts'

const weekdays = openDays({ openWeekdays: [1, 2, 3, 4, 5], closures: [] })
const asOf = Date.parse('2026-06-01') / 86_400_000
const lineOf = (counts: number[]) =>
  counterLine(
    counts.map((count, i) => {
      const on = new Date((asOf - 28 * (counts.length - 1 - i)) * 86_400_000).toISOString().slice(0, 10)
      return entry('reading', on, { counter: 'shots', count }) as never
    }),
    'shots',
    weekdays,
    100,
    asOf,
    asOf - 400,
  )

describe('where a counter will stand', () => {
  // 2,000 in 20 open days: 100 a day.
  const ahead = counterForecast(lineOf([0, 2000, 4000, 6000, 8000, 10_000]), 60)

  it('goes on from the last reading at the pace it had, over open days only', () => {
    expect(ahead).to.have.length(6)
    expect(ahead.at(-1)!.count).to.be.closeTo(16_000, 150)
    // Sixty open days of a five-day week are twelve weeks.
    expect(ahead.at(-1)!.likely - asOf).to.be.closeTo(84, 3)
  })

  it('is early before likely before late, and wider the further it looks', () => {
    const widths = ahead.map(({ early, likely, late }) => {
      expect(early).to.be.at.most(likely)
      expect(likely).to.be.at.most(late)
      return late - early
    })
    expect(widths.at(-1)).to.be.above(widths[0]!)
  })

  it('says nothing of a counter that was never read', () => {
    expect(counterForecast(lineOf([]))).to.deep.equal([])
  })
})
