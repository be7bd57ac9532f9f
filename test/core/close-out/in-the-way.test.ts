import { expect } from 'chai'
import { inTheWay, stillOpen } from '../../../src/core/close-out/in-the-way.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { entry } from '../standing/a-history.ts'

const kind = kindById('c2')!
const on = '2026-11-26'
const visitId = '01939000-0000-7000-8000-0000000000aa'
const there = (made: Entry): Entry => ({ ...made, visitId })
const machineId = '01939000-0000-7000-8000-000000000001'
const ways = (entries: Entry[], more: Partial<Parameters<typeof inTheWay>[0]> = {}) =>
  inTheWay({ machineId, kind, entries, visitId, underWay: [], ...more })
const whats = (entries: Entry[], more = {}) => ways(entries, more).map(({ what }) => what)
const read = there(entry('reading', on, { counter: 'shots', count: 1000 }))

describe('what stands in the way of closing a visit', () => {
  it('is nothing where work was done, the counter read and nothing held', () => {
    expect(ways([there(entry('cleaned', on, { task: 'drain-hose' })), read])).to.deep.equal([])
  })

  it('is a counter that was not read, with a reason; of a kind that has one, and where hands were in it', () => {
    const done = there(entry('cleaned', on, { task: 'drain-hose' }))
    const found = ways([done])
    expect(found.map(({ what, closesAs }) => [what, closesAs])).to.deep.equal([['counter', 'reason']])
    expect(whats([done], { kind: { ...kind, uncounted: true } })).to.deep.equal([])
    expect(whats([there(entry('note', on, { text: 'Shop is shut' }))])).to.deep.equal([])
    // Read on an earlier visit it is not read on this one.
    expect(whats([entry('reading', '2026-11-20', { counter: 'shots', count: 900 }), done])).to.deep.equal(['counter'])
    expect(
      stillOpen(found, { left: [{ subjectId: machineId, what: 'counter', reason: ' ' }], isolated: [] }),
    ).to.have.length(1)
    expect(
      stillOpen(found, { left: [{ subjectId: machineId, what: 'counter', reason: 'display is dark' }], isolated: [] }),
    ).to.deep.equal([])
  })

  it('is a gate nobody signed off, whoever left it and when: only isolated and tagged', () => {
    const held = entry('held', '2026-11-20', { why: 'electrical' })
    const found = ways([held])
    expect(found.map(({ what, closesAs, heldId }) => [what, closesAs, heldId])).to.deep.equal([
      ['gate', 'isolated', held.id],
    ])
    expect(stillOpen(found, { left: [], isolated: [] })).to.have.length(1)
    expect(
      stillOpen(found, { left: [], isolated: [{ subjectId: machineId, held: held.id, how: 'plug out, tag on' }] }),
    ).to.deep.equal([])
    expect(whats([held, entry('released', on, { held: held.id })])).to.deep.equal([])
  })

  // What sticks on a heater is isolated, never left for now: common practice, no source.
  it('is a part that guards and was left as it should not be', () => {
    const left = there(entry('inspected', on, { part: 'relay', condition: 3 }))
    const found = ways([left, read])
    expect(found.map(({ what, closesAs, part }) => [what, closesAs, part])).to.deep.equal([
      ['gate', 'isolated', 'relay'],
    ])
    expect(whats([there(entry('inspected', on, { part: 'relay', condition: 1 })), read])).to.deep.equal([])
    expect(whats([there(entry('inspected', on, { part: 'group-gasket', condition: 4 })), read])).to.deep.equal([])
    const guarded = kind.tasks.find(({ safety, part }) => safety && part)!
    expect(whats([there(entry('inspected', on, { part: guarded.part!, condition: 4 })), read])).to.deep.equal(['gate'])
  })

  it('is a repair without its test-out, and a repair after it', () => {
    const at = (hour: string, made: Entry): Entry => there({ ...made, happenedAt: `${on}T${hour}:00.000Z` })
    const first = at('10:00', entry('repaired', on, { text: 'New pump' }))
    expect(whats([first, read])).to.deep.equal(['test-out'])
    const tested = at('10:30', entry('tested-out', on, { passed: true }))
    expect(whats([first, tested, read])).to.deep.equal([])
    expect(whats([first, tested, at('11:00', entry('repaired', on, { text: 'New hose' })), read])).to.deep.equal([
      'test-out',
    ])
  })

  it('is what was begun and is not ended; no word closes over it', () => {
    const found = ways([read], { underWay: ['run', 'sheet'] })
    expect(found.map(({ what, closesAs }) => [what, closesAs])).to.deep.equal([
      ['run', null],
      ['sheet', null],
    ])
    expect(stillOpen(found, { left: [], isolated: [] })).to.have.length(2)
  })
})
