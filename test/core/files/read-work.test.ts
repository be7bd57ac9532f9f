import { expect } from 'chai'
import { readWork, workAs } from '../../../src/core/files/read-work.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { jot } from '../../../src/core/ledger/jot.ts'

describe('an old service record, read', () => {
  const c2 = kindById('c2')!
  const said: [text: string, work: [kind: string, body: Record<string, unknown>][], group?: number][] = [
    ['replaced group gaskets, group 2', [['fitted', { part: 'group-gasket', group: 2 }]]],
    ['New steam tip right', [['fitted', { part: 'steam-tip', group: 2 }]]],
    ['Shower screen changed', [['fitted', { part: 'shower-screen', group: 2 }]], 2],
    [
      'Group gaskets replaced, both',
      [
        ['fitted', { part: 'group-gasket', group: 1 }],
        ['fitted', { part: 'group-gasket', group: 2 }],
      ],
    ],
    ['Cleaned inlet strainer', [['cleaned', { task: 'inlet-strainer-clean' }]]],
    ['Electrical safety test, passed', [['checked', { task: 'electrical-test' }]]],
    ['PAT test', [['checked', { task: 'electrical-test' }]]],
    ['full service', [['serviced', { task: 'full-service' }]]],
    ['yearly service', [['serviced', { task: 'full-service' }]]],
    ['leaking at the front', [['fault-reported', { text: 'leaking at the front' }]]],
    ['repaired rotary pump head', [['repaired', { text: 'repaired rotary pump head', part: 'pump-head' }]]],
    ['talked to the owner', [['note', { text: 'talked to the owner' }]]],
    ['group gasket looked fine', [['note', { text: 'group gasket looked fine' }]]],
    ['Siebträgerdichtung links gewechselt', [['fitted', { part: 'group-gasket', group: 1 }]]],
    ['Duschsieb Gruppe 2 ersetzt', [['fitted', { part: 'shower-screen', group: 2 }]]],
    ['Jahreswartung', [['serviced', { task: 'full-service' }]]],
    ['joint de groupe remplacé, groupe 1', [['fitted', { part: 'group-gasket', group: 1 }]]],
    ['New gasket, group 1', [['fitted', { part: 'group-gasket', group: 1 }]]],
    ['Dampfhahn: Dichtung gewechselt', [['note', { text: 'Dampfhahn: Dichtung gewechselt' }]]],
    ['steam valve gasket replaced', [['note', { text: 'steam valve gasket replaced' }]]],
    ['replaced the board of the milk fridge', [['note', { text: 'replaced the board of the milk fridge' }]]],
    ['service call, could not get in', [['note', { text: 'service call, could not get in' }]]],
    ['other equipment moved', [['note', { text: 'other equipment moved' }]]],
    ['serviced', [['serviced', { task: 'full-service' }]]],
    ['pompe changée', [['fitted', { part: 'pump-head' }]]],
    ['sostituita guarnizione gruppo, destra', [['fitted', { part: 'group-gasket', group: 2 }]]],
    ['elettrovalvola riparata', [['repaired', { text: 'elettrovalvola riparata', part: 'three-way-valve' }]]],
  ]
  for (const [text, work, group] of said)
    it(`${text} → ${work.map(([kind]) => kind).join(', ')}`, () =>
      expect(readWork(c2, text, group).work).to.deep.equal(
        work.map(([kind, body]) => ({ kind, body: { v: 1, ...body } })),
      ))

  it('moves no date where it does not say at which of several, or what was done: it says what it may mean', () => {
    expect(readWork(c2, 'Group gasket replaced')).to.deep.equal({
      work: [jot('note', { text: 'Group gasket replaced' })],
      guess: { entry: 'fitted', id: 'group-gasket', group: 'all' },
    })
    expect(readWork(c2, 'gasket').guess).to.deep.equal({ entry: 'fitted', id: 'group-gasket', group: 'all' })
    expect(readWork(c2, 'rang the bell').guess).to.equal(undefined)
  })

  it('is what somebody says it is, where this kind of machine has it', () => {
    expect(workAs(c2, { entry: 'fitted', id: 'group-gasket', group: 2 }, 'rubber')).to.deep.equal([
      jot('fitted', { part: 'group-gasket', group: 2 }),
    ])
    expect(workAs(c2, { entry: 'fitted', id: 'group-gasket', group: 'all' }, 'rubbers')).to.have.length(2)
    expect(workAs(c2, { entry: 'serviced', id: 'full-service' }, 'the big one')).to.deep.equal([
      jot('serviced', { task: 'full-service' }),
    ])
    expect(workAs(kindById('gr')!, { entry: 'fitted', id: 'group-gasket' }, 'rubber')).to.deep.equal([
      jot('note', { text: 'rubber' }),
    ])
  })

  it('descales only what is descaled in place', () => {
    expect(readWork(kindById('sr')!, 'Descaled with citric').work[0]!.kind).to.equal('descaled')
    expect(readWork(kindById('sr')!, 'Maschine entkalkt').work[0]!.kind).to.equal('descaled')
    expect(readWork(c2, 'Descaled with citric').work[0]!.kind).to.equal('note')
  })
})
