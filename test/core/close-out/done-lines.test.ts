import { expect } from 'chai'
import { doneLines } from '../../../src/core/close-out/done-lines.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { entry } from '../standing/a-history.ts'

const kind = kindById('c2')!
const on = '2026-11-26'

describe('what was done at a machine', () => {
  it('is one line a part: what came out and what went in, groups together', () => {
    const [line, ...more] = doneLines(kind, [
      entry('removed', on, { part: 'group-gasket', group: 1, condition: 4 }),
      entry('fitted', on, { part: 'group-gasket', group: 1, size: '8.5 mm' }),
      entry('removed', on, { part: 'group-gasket', group: 2, condition: 3 }),
      entry('fitted', on, { part: 'group-gasket', group: 2, size: '8.5 mm' }),
    ])
    expect(more).to.deep.equal([])
    expect(line).to.deep.include({
      name: 'Group gasket',
      what: 'new',
      groups: [1, 2],
      isOpen: false,
      fitted: { part: 'group-gasket', pieces: 2, size: '8.5 mm' },
      foundLeft: {
        is: 'grade',
        found: [4, 3],
        left: 0,
        accepted: { from: 0, to: 2 },
        unit: '',
        foundWords: 'failed',
        leftWords: 'new',
      },
    })
    expect(line!.entryIds).to.have.length(4)
  })

  it('says the worst of what was left, where only one of two was changed', () => {
    const [line] = doneLines(kind, [
      entry('inspected', on, { part: 'group-gasket', group: 1, condition: 3 }),
      entry('removed', on, { part: 'group-gasket', group: 2, condition: 4 }),
      entry('fitted', on, { part: 'group-gasket', group: 2 }),
    ])
    expect(line!.foundLeft).to.deep.include({ found: [3, 4], left: 3, leftWords: 'cracked' })
    expect(line!.isOpen).to.equal(true)
  })

  it('is open where a part was left above what is accepted, or is out and nothing went in', () => {
    const [seen] = doneLines(kind, [entry('inspected', on, { part: 'control-board', condition: 4 })])
    expect([seen!.what, seen!.isOpen]).to.deep.equal(['left open', true])
    const [fine] = doneLines(kind, [entry('inspected', on, { part: 'control-board', condition: 2 })])
    expect([fine!.what, fine!.isOpen]).to.deep.equal(['looked at', false])
    const [out] = doneLines(kind, [entry('removed', on, { part: 'group-gasket', group: 1, condition: 3 })])
    expect([out!.what, out!.isOpen, out!.foundLeft!.left]).to.deep.equal(['taken out', true, undefined])
  })

  it('is a measure as found and as left against what is accepted', () => {
    const { id, good, unit } = kind.measures.find(({ each }) => !each)!
    const [set] = doneLines(kind, [
      entry('measured', on, { measure: id, state: 'found', value: good.to + 5 }),
      entry('measured', on, { measure: id, state: 'left', value: good.from }),
    ])
    expect([set!.what, set!.isOpen]).to.deep.equal(['set', false])
    expect(set!.foundLeft).to.deep.include({ found: [good.to + 5], left: good.from, accepted: good, unit })
    const [outside] = doneLines(kind, [entry('measured', on, { measure: id, state: 'found', value: good.to + 5 })])
    expect([outside!.what, outside!.isOpen]).to.deep.equal(['measured', true])
  })

  it('is a task by its name, once however many groups, and what nobody here knows by its own', () => {
    const task = kind.tasks.find(({ each, doneBy }) => each === 'group' && doneBy === 'cleaned')!
    const lines = doneLines(kind, [
      entry('cleaned', on, { task: task.id, group: 2 }),
      entry('cleaned', on, { task: task.id, group: 1 }),
      entry('serviced', on, { task: 'unheard-of' }),
    ])
    expect(lines.map(({ groups }) => groups)).to.deep.equal([[1, 2], []])
    expect(lines[0]!.station).to.equal(task.station)
    expect(lines[1]).to.deep.include({ name: 'unheard of', what: 'serviced' })
    expect(doneLines(null, [entry('fitted', on, { part: 'group-gasket' })])[0]!.name).to.equal('group gasket')
  })
})
