import { expect } from 'chai'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { holding, warrantiesOf } from '../../../src/core/visits/warranties.ts'
import { entry } from '../standing/a-history.ts'

const kind = kindById('c2')!
const own = { partsMonths: 6, workMonths: 3 }
const of = (entries: Entry[], given: Partial<Parameters<typeof warrantiesOf>[0]> = {}) =>
  warrantiesOf({ machine: {}, kind, entries, own, ...given })

describe('what is under warranty', () => {
  it('is the machine as it was bought, by whoever gave it, to the last day', () => {
    const machine = { warrantyUntil: '2027-03-31', warrantyBy: 'the dealer' }
    const all = of([], { machine })
    expect(all).to.deep.equal([{ of: 'machine', name: 'The machine', until: '2027-03-31', by: 'the dealer' }])
    expect(holding(all, '2027-03-31')).to.have.length(1)
    expect(holding(all, '2027-04-01')).to.have.length(0)
  })

  // Whole months by the calendar, the last day of a short month: common practice, no source.
  it('is a part by the firm’s rule, by the calendar; a day that was written down goes before it', () => {
    const gasket = entry('fitted', '2026-08-31', { part: 'group-gasket', group: 2 })
    expect(of([gasket])).to.deep.equal([
      {
        of: 'part',
        name: 'Group gasket',
        part: 'group-gasket',
        group: 2,
        since: '2026-08-31',
        until: '2027-02-28',
      },
    ])
    const named = entry('fitted', '2026-08-31', { part: 'group-gasket', group: 2, warrantyUntil: '2028-08-30' })
    expect(of([named]).map(({ until }) => until)).to.deep.equal(['2028-08-30'])
    expect(of([named], { own: null }).map(({ until }) => until)).to.deep.equal(['2028-08-30'])
  })

  it('is the part that is in now: one that was replaced since is not there any more', () => {
    const first = entry('fitted', '2026-08-01', { part: 'group-gasket', group: 1, warrantyUntil: '2030-01-01' })
    const other = entry('fitted', '2026-08-02', { part: 'group-gasket', group: 2 })
    const second = entry('fitted', '2026-09-01', { part: 'group-gasket', group: 1 })
    expect(of([first, other, second]).map(({ group, until }) => [group, until])).to.deep.equal([
      [1, '2027-03-01'],
      [2, '2027-02-02'],
    ])
  })

  it('is work that held, and none that did not; nothing where nobody said for how long', () => {
    const held = entry('repaired', '2026-10-10', { text: 'New inlet valve', part: 'inlet-valve' })
    const not = entry('repaired', '2026-10-11', { text: 'Valve cleaned', cured: false })
    expect(of([held, not])).to.deep.equal([
      {
        of: 'work',
        name: 'New inlet valve',
        part: 'inlet-valve',
        since: '2026-10-10',
        until: '2027-01-10',
      },
    ])
    expect(of([held], { own: null })).to.deep.equal([])
    expect(of([held], { own: { partsMonths: 6, workMonths: 0 } })).to.deep.equal([])
  })
})
