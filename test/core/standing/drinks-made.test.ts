import { expect } from 'chai'
import { careSheet } from '../../../src/core/care/care-sheet.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { usualWay } from '../../../src/core/procedures/offered.ts'
import { drinksMade } from '../../../src/core/standing/drinks-made.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { procedureById } from '../../../src/core/trade/procedures/index.ts'
import { ledgers, reading, steadyReadings, takenOn } from './a-history.ts'

const of = (...entries: Parameters<typeof ledgers>[0]) => drinksMade(effective(ledgers(entries)))

describe('drinks of an open day', () => {
  it('as the counter tells, once it was read twice', () => {
    const made = of(takenOn('c2', '2025-01-06'), ...steadyReadings('2025-01-06', '2026-01-05', 1400))
    expect(made).to.be.closeTo(200, 10)
  })

  it('nobody knows after one reading, or before it was taken on', () => {
    expect(of(takenOn('c2', '2025-01-06'), reading('2025-01-06', 50))).to.equal(null)
    expect(of()).to.equal(null)
  })

  it('choose the way of a backflush, and the line on the care sheet with it', () => {
    const c2 = kindById('c2')!
    const backflush = procedureById('detergent-backflush')!
    const way = (perWeek: number) => {
      const made = of(takenOn('c2', '2025-01-06'), ...steadyReadings('2025-01-06', '2026-01-05', perWeek))
      return usualWay(backflush, c2, made).id
    }
    expect(way(1400)).to.equal('one-scoop-even-strokes')
    expect(way(2800)).to.equal('full-scoop-long-soak')
    expect(way(35)).to.equal('light-dose-long-strokes')
    const powder = (drinksPerOpenDay: number) =>
      careSheet(c2, { drinksPerOpenDay, policy: 'usual' })
        .rhythms.flatMap(({ items }) => items)
        .find(({ drawing }) => drawing === 'powder')!.how!
    expect(powder(200)).to.match(/5 × 7 s on, 7 s off/)
    expect(powder(400)).to.match(/10 × 6 s on, 5 s off/)
  })
})
