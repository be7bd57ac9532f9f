import { expect } from 'chai'
import fc from 'fast-check'
import { jStat } from 'jstat'
import { chanceDueBy, comesNext, tenths } from '../../../src/core/close-out/comes-next.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import type { Standing } from '../../../src/core/standing/standing.ts'

const due = { p10: '2026-12-01', p50: '2026-12-11', p90: '2026-12-31' }
const standing = (key: string, p50: string, more: Partial<Standing> = {}): Standing => ({
  key,
  asOf: '2026-11-26',
  task: key,
  name: key,
  action: 'replace',
  station: 'group',
  due: { p10: p50, p50, p90: p50 } as NonNullable<Standing['due']>,
  uses: [],
  sinceKnown: true,
  minutes: 10,
  working: [] as unknown as Standing['working'],
  ...more,
})

describe('how likely something is due by a day', () => {
  it('is a tenth, a half and nine tenths at the ends and the middle of its window', () => {
    expect(chanceDueBy(due, '2026-12-01')).to.be.closeTo(0.1, 1e-6)
    expect(chanceDueBy(due, '2026-12-11')).to.be.closeTo(0.5, 1e-9)
    expect(chanceDueBy(due, '2026-12-31')).to.be.closeTo(0.9, 1e-6)
    const certain = { p10: '2026-12-11', p50: '2026-12-11', p90: '2026-12-11' }
    expect([chanceDueBy(certain, '2026-12-10'), chanceDueBy(certain, '2026-12-11')]).to.deep.equal([0, 1])
  })

  // Against jstat's normal distribution.
  it('is the normal distribution on each side of its middle, and never falls', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: -90, max: 90 }),
        (below, above, away) => {
          const middle = toDay('2026-12-11')
          const window = { p10: fromDay(middle - below), p50: fromDay(middle), p90: fromDay(middle + above) }
          const half = away < 0 ? below : above
          const expected = jStat.normal.cdf(away, 0, half / jStat.normal.inv(0.9, 0, 1))
          expect(chanceDueBy(window, fromDay(middle + away))).to.be.closeTo(expected, 1e-5)
          expect(chanceDueBy(window, fromDay(middle + away + 1))).to.be.at.least(
            chanceDueBy(window, fromDay(middle + away)),
          )
        },
      ),
    )
  })

  it('is said in tenths', () => {
    expect([0.01, 0.31, 0.5, 0.97].map(tenths)).to.deep.equal(['hardly', '3 in 10', '5 in 10', 'almost surely'])
  })
})

describe('what comes next', () => {
  it('is what falls due in the months after, soonest first, of all machines together', () => {
    const told = comesNext(
      [
        { id: 'a', name: 'Right bar', standings: [standing('late', '2027-06-01'), standing('gasket', '2027-01-10')] },
        {
          id: 'b',
          name: 'Left bar',
          standings: [standing('filter', '2026-12-01'), { ...standing('never', '2027-01-01'), due: undefined! }],
        },
      ],
      '2026-11-26',
      '2026-12-17',
    )
    expect(told.map(({ machine, name, before }) => [machine, name, before])).to.deep.equal([
      ['Left bar', 'filter', 1],
      ['Right bar', 'gasket', 0],
    ])
  })

  it('is no more than can be told, and says no chance where no visit is arranged', () => {
    const standings = Array.from({ length: 20 }, (_, i) => standing(`t${i}`, fromDay(toDay('2026-12-01') + i)))
    const told = comesNext([{ id: 'a', name: 'Right bar', standings }], '2026-11-26', null)
    expect(told).to.have.length(8)
    expect(told.every(({ before }) => before === null)).to.equal(true)
  })
})
