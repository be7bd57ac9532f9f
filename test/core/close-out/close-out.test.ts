import { expect } from 'chai'
import { closeOut } from '../../../src/core/close-out/close-out.ts'
import type { MachineThere } from '../../../src/core/close-out/left-subjects.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { entry } from '../standing/a-history.ts'

const on = '2026-11-26'
const visitId = '01939000-0000-7000-8000-0000000000aa'
const there = (made: Entry): Entry => ({ ...made, visitId })
const firm = [entry('setting', '2026-01-01', { setting: 'part-price', kind: 'c2', part: 'group-gasket', price: 5.2 })]
const header = (body: object = {}) =>
  there(entry('visit', on, { technicianIds: ['x'], arrivedAt: `${on}T08:00:00Z`, leftAt: `${on}T09:32:00Z`, ...body }))
const machine = (
  id: string,
  entries: Entry[],
  more: Partial<MachineThere> = {},
  site: Entry[] = [header()],
): MachineThere => ({
  id,
  name: id,
  model: 'Imbrel Tandem',
  kind: kindById('c2')!,
  ledgers: { machine: entries, site, firm },
  softener: null,
  underWay: [],
  ...more,
})
const leaving = (machines: MachineThere[], more: Partial<Parameters<typeof closeOut>[0]> = {}) =>
  closeOut({ visitId, on, now: `${on}T12:00:00Z`, machines, currency: 'EUR', ...more })
const gasket = () => there(entry('fitted', on, { part: 'group-gasket', group: 1 }))

describe('the end of a visit', () => {
  it('is drawn from what the ledger has of it, and of nothing else', () => {
    const left = leaving([
      machine('a', [
        gasket(),
        there(entry('repaired', on, { text: 'New pump' })),
        entry('fitted', '2026-10-01', { part: 'safety-valve' }),
      ]),
      machine('b', [entry('cleaned', '2026-10-01', { task: 'drain-hose' })]),
    ])
    expect(left.subjects.map(({ id, lines, rest }) => [id, lines.length, rest.length])).to.deep.equal([['a', 1, 1]])
    expect(left.thereMin).to.equal(92)
    expect(left.subjects[0]!.minutes).to.equal(92)
    expect(left.charges.find(({ of }) => of === 'part')).to.deep.include({ priceMinor: 520, quantityMilli: 1000 })
  })

  it('has every machine in it that stands in the way, whatever else was written there', () => {
    const held = there(entry('held', on, { why: 'electrical' }))
    const left = leaving([machine('a', [held]), machine('b', [], { underWay: ['run'] })])
    expect(left.ways.map(({ subjectId, what }) => [subjectId, what])).to.deep.equal([
      ['a', 'gate'],
      ['b', 'run'],
    ])
    expect(left.subjects.map(({ id }) => id)).to.deep.equal(['a', 'b'])
  })

  it('says a run that was broken off; one that ended says what it did in lines of its own', () => {
    const run = (ended: string) =>
      there(
        entry('run', on, { procedure: 'detergent-backflush', version: 1, way: 'usual', minutes: 12, ended, steps: [] }),
      )
    const told = (ended: string) => leaving([machine('a', [gasket(), run(ended)])]).subjects[0]!.rest.length
    expect([told('done'), told('stopped'), told('left')]).to.deep.equal([0, 1, 1])
  })

  it('goes by the contract and the warranty of the day somebody was there, however late it is closed', () => {
    const covers = entry('setting', '2026-01-01', {
      setting: 'covers',
      until: on,
      labour: true,
      travel: true,
      used: true,
    })
    const left = leaving([machine('a', [gasket()], {}, [header(), covers])], { on: '2026-11-28' })
    expect(left.charges.every(({ pays }) => pays === 'contract')).to.equal(true)
  })

  // A machine’s warranty is not for what wears: common practice, no source.
  it('charges what wears though the machine is under warranty, and not a board', () => {
    const board = there(entry('fitted', on, { part: 'control-board' }))
    const left = leaving([machine('a', [gasket(), board], { warrantyUntil: '2027-03-31' })])
    expect(left.charges.filter(({ of }) => of === 'part').map(({ part, pays }) => [part, pays])).to.have.deep.members([
      ['group-gasket', 'customer'],
      ['control-board', 'warranty'],
    ])
  })

  it('counts the salt of a softener once, whoever of its machines stands behind it', () => {
    const softener = { id: 's', name: 'Back-room softener' }
    const fed = there(entry('regenerated', on, { saltKg: 1.5 }, { subjectKind: 'softener', subjectId: 's' }))
    const prices = entry('setting', '2026-01-01', { setting: 'prices', saltPerKg: 0.95 })
    const behind = (id: string): MachineThere => {
      const one = machine(id, [gasket()], { softener })
      return { ...one, ledgers: { ...one.ledgers, softener: [fed], firm: [...firm, prices] } }
    }
    const left = leaving([behind('a'), behind('b')])
    expect(left.charges.filter(({ of }) => of === 'used')).to.deep.equal([
      { id: 'used 0', of: 'used', name: 'Salt', quantityMilli: 1500, unit: 'kg', priceMinor: 95, pays: 'customer' },
    ])
    expect(left.subjects.map(({ kind }) => kind)).to.deep.equal(['machine', 'machine', 'softener'])
  })

  it('leaves open what nobody cured, closed or renewed, for the customer’s ears alone where it is for them', () => {
    const left = leaving([
      machine('a', [
        there(entry('inspected', on, { part: 'drain-hose', condition: 3 })),
        entry('fault-reported', '2026-11-20', { text: 'It growls' }),
        entry('remark', '2026-11-20', { text: 'Lid is loose' }),
        entry('remark', '2026-11-20', { text: 'They pay late', internal: true }),
      ]),
    ])
    expect(left.open.map(({ name }) => name)).to.deep.equal(['drain hose, cracked', '“It growls”', 'Lid is loose'])
  })

  it('says when somebody comes again, what is agreed before what is proposed', () => {
    const appointment = (step: string, day: string, id: string) =>
      entry('appointment', '2026-11-20', { step, on: day, technicianId: 'x', minutes: 30, tasks: [] }, { visitId: id })
    const site = [header(), appointment('proposed', '2026-12-01', 'p'), appointment('agreed', '2026-12-17', 'q')]
    expect(leaving([machine('a', [gasket()], {}, site)]).next).to.deep.equal({ on: '2026-12-17', isAgreed: true })
    expect(leaving([machine('a', [gasket()], {}, site.slice(0, 2))]).next).to.deep.equal({
      on: '2026-12-01',
      isAgreed: false,
    })
  })

  it('knows no minutes of a visit that nobody ended on its day', () => {
    const open = header({ leftAt: undefined })
    expect(leaving([machine('a', [gasket()], {}, [open])], { now: '2026-11-28T09:00:00Z' }).thereMin).to.equal(null)
  })
  it('calls a report by its first closing, in whatever order closings of one moment stand', () => {
    const body = { lines: [], taxBp: 0, open: [], sentences: [], signed: { how: 'nobody', at: `${on}T09:40:00Z` } }
    const closing = (id: string, supersedes?: string) =>
      ({ ...there(entry('visit-closed', on, body)), id, ...(supersedes && { supersedes }) }) as Entry
    for (const [first, second, third] of [
      ['a1', 'b2', 'c3'],
      ['c3', 'b2', 'a1'],
      ['b2', 'c3', 'a1'],
    ] as const) {
      const site = [header(), closing(first), closing(second, first), closing(third, second)].sort((a, b) =>
        a.id < b.id ? -1 : 1,
      )
      const left = leaving([machine('a', [gasket()], {}, site)])
      expect([left.closed?.id, left.closedFirstId]).to.deep.equal([third, first])
    }
    expect(leaving([machine('a', [gasket()])]).closedFirstId).to.equal(null)
  })
})
