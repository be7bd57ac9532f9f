import { expect } from 'chai'
import { careKept, keptWords } from '../../../src/core/customers/care-kept.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { entry } from '../standing/a-history.ts'

const done = (on: string, what = 'Tank washed', everyDays = 7) => entry('care-done', on, { what, everyDays })
const kept = (...entries: ReturnType<typeof entry>[]) =>
  careKept(effective({ machine: entries }), '2026-09-01', '2026-10-13')

describe('care between visits', () => {
  it('is counted against what was agreed, a day once, the first day left out and the last not', () => {
    expect(
      kept(done('2026-09-01'), done('2026-09-08'), done('2026-09-08'), done('2026-10-13'), done('2026-10-14')),
    ).to.deep.equal([{ what: 'Tank washed', done: 2, agreed: 6 }])
  })

  it('says nothing of what nobody noted', () => {
    expect(kept()).to.deep.equal([])
    expect(kept(done('2026-08-01'))).to.deep.equal([])
  })

  it('is told without blame', () => {
    expect(keptWords({ what: 'Tank washed', done: 6, agreed: 6 })).to.equal(
      'Tank washed: as often as agreed, thank you',
    )
    expect(keptWords({ what: 'Tank washed', done: 1, agreed: 6 })).to.equal('Tank washed: noted once, about 6 agreed')
  })
})
