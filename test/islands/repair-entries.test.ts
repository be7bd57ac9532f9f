import { expect } from 'chai'
import { bookOf, faultBooks } from '../../src/core/faults/books.ts'
import { newSearch, searchStep } from '../../src/core/faults/search.ts'
import { kindById } from '../../src/core/kinds/index.ts'
import { isKind } from '../../src/core/ledger/is-kind.ts'
import { parseEntry } from '../../src/core/ledger/parse-entry.ts'
import { repairEntries, type TestedOut } from '../../src/islands/fault/repair-entries.ts'
import { told } from '../core/ledger/told.ts'

const machineId = '01939000-0000-7000-8000-00000000000a'
const reportId = '01939000-0000-7000-8000-00000000000b'
const visitId = '01939000-0000-7000-8000-00000000000c'
const book = bookOf('sr')!
const fault = (id: string) => book.faults.find((one) => one.id === id)!

/** Ids as a device gives them: the same name is the same id. */
function ids() {
  const given = new Map<string, string>()
  return (name: string) => {
    const there = given.get(name) ?? `01939000-0000-7000-8000-${String(100 + given.size).padStart(12, '0')}`
    given.set(name, there)
    return there
  }
}

const passed: TestedOut = { passed: true, readings: [], looks: ['complaint', 'dry', 'electrical'] }
const said = (out: TestedOut, search = newSearch('short-cup', 0), more = {}) =>
  repairEntries({
    book,
    fault: fault('nozzle-seals'),
    text: 'New pair, greased',
    kind: kindById('sr')!,
    out,
    search,
    reportId,
    idOf: ids(),
    machineId,
    today: '2026-11-26',
    at: new Date('2026-11-26T09:30:00Z'),
    ...more,
  })

describe('what a search that ended in a repair leaves in the ledger', () => {
  const seen = [
    { type: 'seen', test: 'puck', outcome: 'firm', at: 1 },
    { type: 'seen', test: 'tray-water', outcome: 'much', value: 31, at: 2 },
    { type: 'seen', test: 'nozzle', outcome: 'gone', at: 3 },
  ] as const
  const search = seen.reduce((now, press) => searchStep(now, press), newSearch('short-cup', 0))

  it('a repair in words that did not cure is there, with the words; one in no book has no name', () => {
    const tried = searchStep(search, { type: 'not cured in words', cause: 'Sleeve cracked', text: 'New sleeve', at: 4 })
    const repairs = said(passed, tried).filter(isKind('repaired'))
    expect(repairs.map(({ body }) => [body.cause, body.text, body.cured, body.fault])).to.deep.equal([
      ['Sleeve cracked', 'New sleeve', false, undefined],
      ['Inlet nozzle seals perished', 'New pair, greased', true, 'nozzle-seals'],
    ])
    for (const entry of said(passed, tried)) expect(parseEntry(entry).ok, entry.kind).to.equal(true)
  })

  it('a wire made good cleans no part, and what is mended inside is held until a tester has spoken', () => {
    const c2 = bookOf('c2')!
    const mended = (id: string) =>
      said(passed, newSearch('wet-steam', 0), {
        book: c2,
        kind: kindById('c2')!,
        fault: c2.faults.find((one) => one.id === id)!,
      }).map(({ kind }) => kind)
    expect(mended('probe-wire')).to.not.include('cleaned')
    expect(mended('probe-chalked')).to.include('cleaned')
    expect(mended('contactor-welded')).to.include('held')
    expect(mended('softener-half-shut')).to.not.include('held')
  })

  it('complaint, each test, the repair with its cause, the test-out: all about one report', () => {
    const entries = said(passed, search)
    expect(entries.map(({ kind }) => kind)).to.deep.equal([
      'fault-reported',
      'test-seen',
      'test-seen',
      'test-seen',
      'repaired',
      'tested-out',
    ])
    expect(entries[0]).to.deep.include({ id: reportId, happenedOn: '2026-11-26' })
    expect(entries[0]!.body).to.include({ text: 'Cup short, water in the tray', symptom: 'short-cup' })
    for (const { body } of entries.slice(1)) expect(told({ body }).report).to.equal(reportId)
    expect(entries[2]!.body).to.include({ test: 'tray-water', outcome: 'much', value: 31 })
    expect(entries[4]!.body).to.include({ fault: 'nozzle-seals', cured: true, part: 'nozzle-seals' })
  })

  it('each is accepted by the ledger', () => {
    const left: TestedOut = {
      ...passed,
      readings: [
        { measure: 'open-flow', value: 66 },
        { measure: 'shot-time', group: 1, value: 22 },
      ],
      electrical: { earthOhm: 0.1, insulationMOhm: 50, instrument: visitId },
    }
    for (const entry of said(left, search, { visitId })) {
      const parsed = parseEntry(entry)
      expect(parsed.ok ? [] : parsed.issues, entry.kind).to.deep.equal([])
      expect(entry.visitId).to.equal(visitId)
    }
  })

  it('what was said on the telephone is marked so', () => {
    const call = searchStep(newSearch('short-cup', 0), { type: 'phone', on: true, at: 0 })
    const phoned = searchStep(call, { type: 'seen', test: 'puck', outcome: 'wet', at: 1 })
    const here = searchStep(searchStep(phoned, { type: 'phone', on: false, at: 2 }), seen[2])
    const tests = said(passed, here).filter(({ kind }) => kind === 'test-seen')
    expect(tests.map(({ body }) => told({ body }).said ?? false)).to.deep.equal([true, false])
  })

  it('a repair that did not cure stands beside the one that did, once', () => {
    const wrong = searchStep(search, { type: 'not cured', fault: 'valve-leaks', at: 4 })
    const again = searchStep(wrong, { type: 'not cured', fault: 'nozzle-seals', at: 5 })
    const repairs = said(passed, again).filter(({ kind }) => kind === 'repaired')
    // Tried twice, the second time with success: it cured.
    expect(repairs.map(({ body }) => [told({ body }).fault, told({ body }).cured])).to.deep.equal([
      ['valve-leaks', false],
      ['nozzle-seals', true],
    ])
  })

  it('closed without a passed test-out it says why, and what was measured stays as left', () => {
    const out: TestedOut = {
      passed: false,
      reason: 'No tester',
      readings: [{ measure: 'open-flow', value: 20 }],
      looks: [],
    }
    const entries = said(out)
    expect(entries.at(-1)!.body).to.deep.include({ passed: false, reason: 'No tester' })
    expect(entries.at(-1)!.body).to.not.have.any.keys('looks', 'electrical')
    expect(entries.find(({ kind }) => kind === 'measured')!.body).to.include({ state: 'left', value: 20 })
  })

  it('saved twice it is one write: the same ids', () => {
    const idOf = ids()
    const first = said(passed, search, { idOf })
    const second = said(passed, search, { idOf })
    expect(second.map(({ id }) => id)).to.deep.equal(first.map(({ id }) => id))
    expect(new Set(first.map(({ id }) => id)).size).to.equal(first.length)
  })

  it('a new part is on record: the old one out with its condition and why, the new one in, in its size', () => {
    const entries = said(passed, search, {
      fitted: [{ part: 'nozzle-seals', size: '8 mm', condition: 4, why: 'failed' }],
    })
    expect(
      entries.filter(({ kind }) => kind === 'removed' || kind === 'fitted').map(({ kind, body }) => [kind, body]),
    ).to.deep.equal(
      [
        ['removed', { part: 'nozzle-seals', condition: 4, why: 'failed' }],
        ['fitted', { part: 'nozzle-seals', size: '8 mm' }],
      ].map(([kind, body]) => [kind, { v: entries[0]!.body.v, ...(body as object) }]),
    )
  })

  it('a passage cleared is a passage cleaned: the task it fulfils is written', () => {
    const pd = bookOf('pd')!
    const cause = pd.faults.find(({ part }) => part === 'boiler-passage')!
    const entries = said(passed, newSearch(pd.symptoms[0]!.id, 0), { book: pd, fault: cause, kind: kindById('pd')! })
    expect(entries.find(({ kind }) => kind === 'cleaned')?.body).to.include({ task: 'boiler-passage-clean' })
  })

  it('opened and not tested it is not for use; tested it is', () => {
    const opened = searchStep(search, { type: 'seen', test: 'pump-hose', outcome: 'stream', at: 9 })
    const held = (out: TestedOut) => said(out, opened).filter(({ kind }) => kind === 'held')
    expect(held(passed).map(({ body }) => told({ body }).why)).to.deep.equal(['electrical'])
    expect(held({ ...passed, electrical: { earthOhm: 0.1, insulationMOhm: 20 } })).to.deep.equal([])
    expect(said(passed, search).some(({ kind }) => kind === 'held')).to.equal(false)
  })

  it('what was tried is on record as a sentence', () => {
    const [, first] = said(passed, search)
    expect(String(told(first!).words)).to.match(/^[A-Z].*: [a-z]/)
    expect(String(told(first!).words)).to.not.match(/-/)
  })

  it('of every fault of every kind the ledger takes the repair', () => {
    for (const one of faultBooks)
      for (const cause of one.faults) {
        const entries = said(passed, newSearch(one.symptoms[0]!.id, 0), {
          book: one,
          fault: cause,
          text: cause.repair.say,
          kind: kindById(one.kind)!,
        })
        for (const entry of entries) {
          const parsed = parseEntry(entry)
          expect(parsed.ok ? [] : parsed.issues, `${one.kind} ${cause.id} ${entry.kind}`).to.deep.equal([])
        }
      }
  })
})
