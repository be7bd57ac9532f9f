import { expect } from 'chai'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { monthsSeen } from '../../../src/core/usage/months-seen.ts'
import { openDays } from '../../../src/core/usage/open-days.ts'

const start = toDay('2024-01-01')
const open = openDays({ openWeekdays: [1, 2, 3, 4, 5, 6], closures: [{ from: '2024-08-01', to: '2024-08-21' }] })
const summer = [0.6, 0.6, 0.8, 0.9, 1.1, 1.4, 1.6, 1.5, 1.1, 0.9, 0.7, 0.8]

/** Rises of a counter that follows the months exactly, read every so many days. */
function counter(months: number[], perDay: number, days: number, every: number) {
  const made = (from: number, to: number) => {
    let sum = 0
    for (let day = from; day < to; day += 1)
      sum += perDay * months[Number(fromDay(day).slice(5, 7)) - 1]! * open.count(day, day + 1)
    return sum
  }
  return Array.from({ length: Math.floor(days / every) }, (_, i) => {
    const [fromDay, toDay] = [start + i * every, start + (i + 1) * every]
    return { fromDay, toDay, count: made(fromDay, toDay) }
  })
}

describe('what counters say of the months', () => {
  it('finds the season a counter follows, from readings weeks apart', () => {
    const seen = monthsSeen([counter(summer, 120, 730, 14), counter(summer, 30, 730, 21)], open)!
    seen.months.forEach((share, i) => {
      expect(share, `month ${i + 1}`).to.be.closeTo(summer[i]!, 0.16)
    })
    expect(seen.days).to.equal(728)
  })

  it('finds none where there is none, however much each counter makes', () => {
    const level = Array<number>(12).fill(1)
    const seen = monthsSeen([counter(level, 200, 400, 10), counter(level, 7, 400, 30)], open)!
    expect(seen.months).to.deep.equal(level)
  })

  it('says nothing from less than eleven months, or from readings a season apart', () => {
    expect(monthsSeen([counter(summer, 120, 300, 10)], open)).to.equal(null)
    expect(monthsSeen([counter(summer, 120, 720, 120)], open)).to.equal(null)
    expect(monthsSeen([], open)).to.equal(null)
  })
})
