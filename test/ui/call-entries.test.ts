import { expect } from 'chai'
import { bookOf } from '../../src/core/faults/books.ts'
import { newSearch } from '../../src/core/faults/search.ts'
import { searchOnRecord } from '../../src/core/faults/search-on-record.ts'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { parseEntry } from '../../src/core/ledger/parse-entry.ts'
import { sameEntry } from '../../src/core/ledger/same-body.ts'
import { madeAt } from '../../src/islands/new-id.ts'
import {
  doneEntries,
  heldEntry,
  reportEntry,
  ringBackEntries,
  searchToGoOn,
  solvedEntries,
  visitEntries,
} from '../../src/islands/round/call/call-entries.ts'
import { momentName, movesWords, putWords } from '../../src/islands/round/call/call-words.ts'
import { type KeptCall, newCall } from '../../src/islands/round/call/kept-call.ts'
import type { CallMoment, MomentStop } from '../../src/views/call-page.ts'

const uuid = (n: number) => `0193a000-0000-7000-8000-${String(n).padStart(12, '0')}`
const book = bookOf('c2')!
const machine = {
  machineId: uuid(1),
  machineName: 'Reading bar',
  model: 'Varnholt Duo 2',
  serial: '',
  kind: 'c2',
  siteId: uuid(2),
  siteName: 'Paper Lantern bookshop',
  area: '',
  customer: 'Paper Lantern',
  contact: '',
  phone: '',
}

/** The same id for the same name, as a device keeps them. */
function ids() {
  const given = new Map<string, string>()
  return (name: string): string => {
    if (!given.has(name)) given.set(name, uuid(100 + given.size))
    return given.get(name)!
  }
}

const taken = (more: Partial<KeptCall> = {}): KeptCall => ({
  ...newCall(0),
  machine,
  text: 'It growls and then nothing comes',
  search: {
    ...newSearch('no-water', 0, [{ test: 'pump-sound', outcome: 'growls' }]),
    phone: true,
    stop: 'none',
  },
  ...more,
})
const given = (call: KeptCall) => ({ call, idOf: ids(), book, firmId: uuid(3), today: '2026-11-26' })
const kindsOf = (entries: Entry[]) => entries.map(({ kind }) => kind)

const stop = (name: string, state: MomentStop['state'], fromMin: number): MomentStop => ({
  siteId: uuid(name.length),
  name,
  state,
  fromMin,
  toMin: fromMin + 60,
})
const moment = (more: Partial<CallMoment> = {}): CallMoment => ({
  on: '2026-11-26',
  technicianId: uuid(4),
  name: 'Ines Quillgate',
  dayAfter: 0,
  beginMin: 600,
  endMin: 655,
  promise: '10:00',
  detourMin: 12,
  finishMin: 960,
  wasFinishMin: 900,
  day: [stop('A bakery', 'agreed', 500), stop('The call', 'call', 600), stop('The depot', 'proposed', 700)],
  dayFromMin: 480,
  dayToMin: 990,
  hours: [],
  later: [],
  out: null,
  joins: null,
  stopMin: 15,
  isLighter: false,
  isOther: false,
  knowsKind: true,
  openDays: 0,
  openToday: true,
  isOpen: true,
  siteIds: [uuid(8), uuid(2), uuid(9)],
  ...more,
})

describe('what a call writes', () => {
  it('is taken by the ledger, whichever way it ends', () => {
    const how = { minutes: 40, promised: true, step: 'agreed' as const }
    const danger = taken({ search: { ...taken().search!, stop: 'burning' } })
    for (const entries of [
      ringBackEntries(given(taken())),
      ringBackEntries(given(taken({ machine: null, search: null, text: '', phone: '0555 0199' }))),
      ringBackEntries(given(danger)),
      solvedEntries(given(taken()), { cause: 'Supply shut', fault: 'supply-shut' }),
      solvedEntries(given(taken()), { cause: '', fault: null }),
      visitEntries(given(taken()), moment(), how),
      visitEntries(given(danger), moment(), { ...how, promised: false, step: 'asked' }),
      doneEntries(given(taken({ machine: null, search: null, text: '', answers: uuid(50) }))),
    ])
      for (const entry of entries) {
        const told = parseEntry(JSON.parse(JSON.stringify(entry)))
        expect(told.ok, `${entry.kind} ${JSON.stringify(told)}`).to.equal(true)
      }
  })

  it('reports the fault once with what was told, and the visit goes for that fault', () => {
    const entries = visitEntries(given(taken()), moment(), { minutes: 40, promised: true, step: 'agreed' })
    expect(kindsOf(entries)).to.deep.equal(['fault-reported', 'test-seen', 'day-order', 'call', 'appointment'])
    const [report, seen, order, call, visit] = entries as [Entry, Entry, Entry, Entry, Entry]
    expect(report.body).to.deep.include({ text: 'It growls and then nothing comes', symptom: 'no-water' })
    expect(seen.body).to.deep.include({ test: 'pump-sound', outcome: 'growls', said: true, report: report.id })
    expect(order.body).to.deep.include({ on: '2026-11-26', siteIds: moment().siteIds })
    expect(call.body).to.deep.include({ end: 'visit', report: report.id })
    expect(visit.body).to.deep.include({ step: 'agreed', from: '10:00', minutes: 55 })
    expect(visit.body).to.have.deep.property('repair', { report: report.id, minutes: 40 })
    expect(visit.subjectId).to.equal(machine.siteId)
  })

  it('is the same write when it is sent again, and writes nothing twice that is there', () => {
    const again = given(taken())
    const how = { minutes: 40, promised: true, step: 'agreed' as const }
    const whole = () => [
      ...visitEntries(again, moment(), how),
      ...solvedEntries(again, { cause: 'Supply shut', fault: 'supply-shut' }),
      ...ringBackEntries(again),
    ]
    const first = whole()
    // A minute later, as whoever presses again does: to the ledger it is the same.
    const now = Date.now
    Date.now = () => now() + 60_000
    try {
      expect(whole().map((entry, i) => sameEntry(entry, first[i]!))).to.deep.equal(first.map(() => true))
    } finally {
      Date.now = now
    }
    expect(first[0]!.happenedAt).to.equal(madeAt(first[0]!.id))
    const there = taken({
      isReported: true,
      isHeld: true,
      onRecord: 1,
      search: { ...taken().search!, stop: 'burning' },
    })
    expect(kindsOf(ringBackEntries(given(there)))).to.deep.equal(['call'])
    expect(kindsOf(ringBackEntries(given({ ...there, isHeld: false })))).to.deep.equal(['held', 'call'])
  })

  it('promises no time where the day alone was told, and keeps one that stands', () => {
    const visit = (of: CallMoment, promised: boolean) =>
      visitEntries(given(taken()), of, { minutes: 40, promised, step: 'agreed' }).at(-1)!
    expect(visit(moment(), false).body).not.to.have.property('from')
    const joins = {
      state: 'agreed' as const,
      visitId: uuid(60),
      promised: '14:30',
      minutes: 75,
      tasks: [{ subjectId: uuid(1), key: 'group-gasket@1' }],
    }
    const joined = visit(moment({ joins }), false)
    expect(joined.visitId).to.equal(uuid(60))
    expect(joined.body).to.deep.include({ from: '14:30', minutes: 115, tasks: joins.tasks })
  })

  it('takes back nothing that was agreed, and counts a fault that is rung about again once', () => {
    const of = (repair: { report: string; minutes: number }, idOf = ids()) => {
      const joins = { state: 'agreed' as const, visitId: uuid(60), minutes: 75, tasks: [], repair }
      const all = visitEntries({ ...given(taken()), idOf }, moment({ joins }), {
        minutes: 40,
        promised: false,
        step: 'asked',
      })
      return all.at(-1)!.body
    }
    const idOf = ids()
    const same = of({ report: idOf('report'), minutes: 30 }, idOf)
    expect(same).to.deep.include({ step: 'agreed', minutes: 85 })
    expect(same).to.have.deep.property('repair', { report: idOf('report'), minutes: 40 })
    const other = of({ report: uuid(70), minutes: 30 })
    expect(other).to.deep.include({ minutes: 115 })
    expect(other).to.have.nested.property('repair.minutes', 70)
  })

  it('notes whom they were looked for as, where nobody knows who it is', () => {
    const strange = taken({ machine: null, search: null, who: 'Marit at the mill', text: 'It drips' })
    const [call] = ringBackEntries(given(strange))
    expect(call!.subjectKind).to.equal('firm')
    expect(call!.body).to.include({ text: 'Marit at the mill: It drips' })
    expect(ringBackEntries(given({ ...strange, text: '' }))[0]!.body).to.include({ text: 'Marit at the mill' })
  })

  it('holds what must stop, and only that', () => {
    expect(heldEntry(given(taken()))).to.equal(null)
    expect(heldEntry(given(taken({ search: { ...taken().search!, stop: 'burning' } })))!.kind).to.equal('held')
    expect(reportEntry(given(taken({ text: '  ' })))!.body).to.include({ text: 'No water from the group' })
    expect(reportEntry(given(taken({ text: '', search: null })))).to.equal(null)
  })

  it('goes on at the machine as the ledger has it', () => {
    const entries = visitEntries(given(taken()), moment(), { minutes: 40, promised: true, step: 'agreed' })
    const found = searchOnRecord(book, entries)!
    const kept = searchToGoOn(taken().search!)
    const answers = ({ seen }: { seen: { test: string; outcome: string; said?: boolean }[] }) =>
      seen.map(({ test, outcome, said }) => ({ test, outcome, said }))
    expect(answers(found.search)).to.deep.equal(answers(kept))
    expect([found.search.symptom, found.search.stop]).to.deep.equal([kept.symptom, kept.stop])
    expect(kept.phone).to.equal(undefined)
  })
})

describe('a moment in words', () => {
  const of = (more: Partial<CallMoment>) => momentName(moment(more), '2026-11-26', uuid(4), moment(more).technicianId)
  const [bakery, call, depot] = moment().day as [MomentStop, MomentStop, MomentStop]

  it('says where in whose day it is', () => {
    expect(of({})).to.equal('Today, between stop 1 and 2')
    expect(of({ day: [call, bakery, depot] })).to.equal('Today, first')
    expect(of({ day: [bakery, depot, call], on: '2026-11-27' })).to.equal('Tomorrow, last')
    expect(of({ day: [call], technicianId: uuid(5), name: 'Odile Quillgate' })).to.equal('Today, Odile, the only stop')
    expect(of({ on: '2026-12-01' })).to.match(/^Tue 1 Dec/)
    const joins = { state: 'proposed' as const, minutes: 60, tasks: [] }
    expect(of({ joins })).to.equal('Today, with the visit there')
    expect([putWords(moment()), putWords(moment({ joins })), putWords(moment({ day: [call, depot] }))]).to.deep.equal([
      'Put it between 1 and 2',
      'Put it on that visit',
      'Put it first',
    ])
  })

  it('says whom it moves, and who has no room then', () => {
    expect(movesWords(moment())).to.equal('')
    const later = ['One', 'Two', 'Three', 'Four', 'Five'].map((name) => ({ name, byMin: 12.4 }))
    expect(movesWords(moment({ later }))).to.equal(
      'One 12 min later, Two 12 min later, Three 12 min later and 2 others',
    )
    expect(movesWords(moment({ isLighter: true }))).to.equal(
      'Work of that day that nobody was promised is left for another visit',
    )
    expect(movesWords(moment({ out: { siteId: uuid(9), name: 'The depot' } }))).to.match(/^The depot has no room then/)
  })
})
