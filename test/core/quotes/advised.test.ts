import { expect } from 'chai'
import { closeOut } from '../../../src/core/close-out/close-out.ts'
import type { MachineThere } from '../../../src/core/close-out/left-subjects.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { isKind } from '../../../src/core/ledger/is-kind.ts'
import { advisedHere } from '../../../src/core/quotes/advised.ts'
import { quotesStanding } from '../../../src/core/quotes/quotes-standing.ts'
import { entry } from '../standing/a-history.ts'

const on = '2026-11-26'
const visitId = '01939000-0000-7000-8000-0000000000aa'
const there = (made: Entry): Entry => ({ ...made, visitId })
const price = (part: string, value: number) =>
  entry('setting', '2026-01-01', { setting: 'part-price', kind: 'c2', part, price: value })
const before = [
  entry('commissioned', '2026-01-05', { kind: 'c2', kindVersion: 1, partsNew: true }),
  entry('reading', '2026-01-05', { counter: 'shots', count: 0 }),
  entry('reading', on, { counter: 'shots', count: 40_000 }),
]
const machine = (entries: Entry[], more: Partial<MachineThere> = {}): MachineThere => ({
  id: 'a',
  name: 'Right bar',
  model: 'Imbrel Tandem',
  kind: kindById('c2')!,
  ledgers: {
    machine: [...before, ...entries],
    site: [there(entry('visit', on, { technicianIds: ['x'] }))],
    firm: [price('group-gasket', 5.2), price('steam-o-ring', 1.1)],
  },
  softener: null,
  underWay: [],
  ...more,
})
const advise = (machines: MachineThere[]) => {
  const { open } = closeOut({ visitId, on, now: `${on}T12:00:00Z`, machines, currency: 'EUR' })
  return advisedHere({ visitId, today: on, nextOn: null, currency: 'EUR', machines, touched: ['a'], open })
}

describe('what is advised at the end of a visit', () => {
  it('is what was left open first, with its price, its work and its window, then what falls due', () => {
    const seen = there(entry('inspected', on, { part: 'group-gasket', group: 1, condition: 4 }))
    const { comes, advised } = advise([machine([seen])])
    const [first, ...later] = advised
    expect(first).to.deep.include({
      machine: 'Right bar',
      part: 'group-gasket',
      partMinor: 520,
      isOpen: true,
      pieces: 1,
    })
    expect(first!.minutes).to.be.a('number')
    // Cracked, it is due now.
    expect(first!.due!.p50 <= on, first!.due!.p50).to.equal(true)
    expect(later.every(({ isOpen }) => !isOpen)).to.equal(true)
    expect(later.length).to.be.greaterThan(0)
    expect(comes.length).to.be.greaterThan(0)
    // What is open is not advised once more because it also falls due.
    expect(later.some(({ part }) => part === 'group-gasket')).to.equal(false)
  })

  it('sets no window that lies ahead against an eye that saw it bad', () => {
    const seen = (condition: number) => [
      entry('fitted', '2026-11-20', { part: 'screen-screw', group: 1 }),
      there(entry('inspected', on, { part: 'screen-screw', group: 1, condition })),
    ]
    for (const condition of [3, 4]) {
      const [bad] = advise([machine(seen(condition))]).advised
      expect(bad, String(condition)).to.deep.include({ part: 'screen-screw', isOpen: true, due: null })
    }
  })

  it('says not known where nobody knows when, how long, or what it costs', () => {
    const remark = there(entry('remark', on, { text: 'Drain hose chafes at the door' }))
    const [first] = advise([machine([remark])]).advised
    expect(first).to.deep.include({ due: null, minutes: null, partMinor: null, isOpen: true })
    expect(first).not.to.have.property('part')
  })

  it('knows of a warranty on it', () => {
    const seen = there(entry('inspected', on, { part: 'control-board', condition: 4 }))
    const covered = machine([seen], { warrantyUntil: '2027-06-01', warrantyBy: 'the maker' })
    expect(advise([covered]).advised[0]).to.deep.include({ part: 'control-board', isUnderWarranty: true })
    expect(advise([machine([seen])]).advised[0]).to.deep.include({ isUnderWarranty: false })
  })
})

describe('quotes of a place', () => {
  const body = {
    quote: '01939000-0000-7000-8000-0000000000bb',
    currency: 'EUR',
    taxBp: 1900,
    validUntil: '2026-12-26',
    items: [{ subjectId: 'a', name: 'Control board', part: 'control-board' }],
    lines: [],
  }
  const quoted = (more: object = {}) => there(entry('quoted', on, { ...body, ...more }))
  const yes = { answer: { said: 'yes', on: '2026-11-30' } }
  const fitted = (day: string) => ({ ...entry('fitted', day, { part: 'control-board' }), subjectId: 'a' })
  const stage = (quote: Entry, today: string, went: Entry[] = []) =>
    quotesStanding([quote], went.filter(isKind('fitted')), today)[0]!.stage

  it('wait until their day, then lapse; what was said holds', () => {
    expect(stage(quoted(), '2026-12-26')).to.equal('waits')
    expect(stage(quoted(), '2026-12-27')).to.equal('lapsed')
    expect(stage(quoted({ answer: { said: 'no', on: '2026-11-30' } }), '2027-01-01')).to.equal('no')
    expect(stage(quoted({ answer: { said: 'withdrawn', on: '2026-11-30' } }), '2026-12-01')).to.equal('withdrawn')
    expect(stage(quoted(yes), '2027-01-01')).to.equal('yes')
  })

  it('are done once what was agreed went in, after it was agreed', () => {
    expect(stage(quoted(yes), '2026-12-20', [fitted('2026-12-17')])).to.equal('done')
    expect(stage(quoted(yes), '2026-12-20', [fitted('2026-11-28')]), 'fitted before they said yes').to.equal('yes')
    const elsewhere = { ...fitted('2026-12-17'), subjectId: 'b' }
    expect(stage(quoted(yes), '2026-12-20', [elsewhere])).to.equal('yes')
    // Where nothing goes in nobody can tell.
    const work = { items: [{ subjectId: 'a', name: 'Descale' }] }
    expect(stage(quoted({ ...yes, ...work }), '2026-12-20', [fitted('2026-12-17')])).to.equal('yes')
  })

  it('are one line each, as they were last written', () => {
    const first = quoted()
    const second = quoted({ quote: '01939000-0000-7000-8000-0000000000cc' })
    const answered = { ...quoted(yes), supersedes: first.id }
    expect(
      quotesStanding([second, answered], [], on)
        .map(({ stage: at }) => at)
        .sort(),
    ).to.deep.equal(['waits', 'yes'])
  })
})
