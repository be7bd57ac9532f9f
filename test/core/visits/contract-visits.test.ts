import { expect } from 'chai'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { contractCosts, contractVisits } from '../../../src/core/visits/contract-visits.ts'

const contract = { everyMonths: 3, firstOn: '2026-03-31', within: 10 }
const visits = (been: string[], today: string, until = '2027-03-01') =>
  contractVisits(contract, been, toDay(today), toDay(until))
const days = (been: string[], today: string, until?: string) => visits(been, today, until).map(({ on }) => on)

describe('visits by contract', () => {
  it('come round by calendar months, a day the month lacks being its last', () => {
    // 31 March, 30 June, 30 September, 31 December: counted on any calendar.
    expect(days([], '2026-03-01')).to.deep.equal(['2026-03-31', '2026-06-30', '2026-09-30', '2026-12-31'])
    expect(days([], '2026-03-01', '2026-03-20')).to.deep.equal([])
    const [first] = visits([], '2026-03-01')
    expect([fromDay(first!.from), fromDay(first!.to)]).to.deep.equal(['2026-03-21', '2026-04-10'])
  })

  it('are made by whoever comes within their days, early, late, or long after as long as the next is not meant', () => {
    expect(days(['2026-03-21'], '2026-04-11')[0]).to.equal('2026-06-30')
    expect(days(['2026-04-10'], '2026-04-11')[0]).to.equal('2026-06-30')
    expect(days(['2026-06-01'], '2026-06-02')[0]).to.equal('2026-06-30')
    expect(days(['2026-03-20'], '2026-04-11')[0]).to.equal('2026-03-31')
    // From ten days before the next one it is that.
    expect(days(['2026-06-20'], '2026-06-21')).to.deep.equal(['2026-09-30', '2026-12-31'])
  })

  it('are made up for once, however many were missed', () => {
    expect(days([], '2026-11-26')).to.deep.equal(['2026-09-30', '2026-12-31'])
    // Somebody was there since.
    expect(days(['2026-11-20'], '2026-11-26')).to.deep.equal(['2026-12-31'])
  })

  it('cost nothing within their days, and more with each day after', () => {
    const at = { from: 105, to: 125 }
    const { early, late } = contractCosts(at, [100, 105, 125, 126, 130], { tooEarly: 3000, perDayLate: 240 })
    expect([...early]).to.deep.equal([3000, 0, 0, 0, 0])
    expect([...late]).to.deep.equal([0, 0, 0, 240, 1200])
    // What is past on the first day nobody can change.
    expect([...contractCosts(at, [130, 131], { tooEarly: 1, perDayLate: 240 }).late]).to.deep.equal([0, 240])
  })
})
