import { expect } from 'chai'
import { bookOf } from '../../src/core/faults/books.ts'
import { newSearch, searchStep } from '../../src/core/faults/search.ts'
import { kindById, kinds } from '../../src/core/kinds/index.ts'
import { withOptions } from '../../src/core/kinds/kind.ts'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { parseEntry } from '../../src/core/ledger/parse-entry.ts'
import { lanesOf } from '../../src/core/procedures/lanes.ts'
import { fittingEntries, runEntries } from '../../src/core/procedures/run-record.ts'
import { waySetting } from '../../src/core/procedures/way-setting.ts'
import { sheetForFault } from '../../src/core/strip-down/sheet-for.ts'
import { procedures } from '../../src/core/trade/procedures/index.ts'
import { repairEntries } from '../../src/islands/fault/repair-entries.ts'
import { entryWords } from '../../src/ui/entry-words.ts'
import { raisedIds } from '../core/procedures/raised-ids.ts'
import { offers, wellRun } from '../core/procedures/well-run.ts'

let made = 0
const idOf = () => {
  made += 1
  return `01939000-0000-7000-8000-${String(made).padStart(12, '0')}`
}
const machineId = '01939000-0000-7000-8000-00000000000a'
const entry = (kind: string, body: Record<string, unknown>): Entry =>
  ({
    id: idOf(),
    subjectKind: 'machine',
    subjectId: machineId,
    kind,
    happenedAt: '2026-11-26T09:00:00Z',
    happenedOn: '2026-11-26',
    body: { v: 1, ...body },
  }) as Entry

/** Every name that code has for a thing, of two words or more. */
const codeNames = new Set(
  [
    ...kinds.flatMap(({ parts, tasks, stations, measures }) =>
      [...parts, ...tasks, ...stations, ...measures].map(({ id }) => id),
    ),
    ...procedures.flatMap(({ id, ways }) => [
      id,
      ...ways.flatMap((way) => [way.id, ...way.parts.flatMap(({ steps }) => steps.map((step) => step.id))]),
    ]),
    ...kinds.flatMap(({ id }) => {
      const book = bookOf(id)
      return book ? [...book.faults, ...book.tests, ...book.symptoms].map((one) => one.id) : []
    }),
  ].filter((id) => id.includes('-')),
)
/** Words that plain English writes so too. */
const english = new Set([
  'hot-water',
  'steam-valve',
  'cut-out',
  'non-return',
  'key-pad',
  'first-cup',
  'oil-removal',
  'brew-unit',
])

function plain(one: Entry, kind: string, name: string): void {
  const said = entryWords(one, kindById(kind))
  expect(said, name).to.match(/^[A-Z0-9“]/)
  expect(said, name).to.not.match(/undefined|NaN|\[object|null\b/)
  const ids = (said.match(/\b[a-z]+(?:-[a-z0-9]+)+\b/g) ?? []).filter(
    (word) => codeNames.has(word) && !english.has(word),
  )
  expect(ids, `${name}: ${said}`).to.deep.equal([])
}

describe('what work leaves in the ledger is read as sentences', () => {
  it('of every run, of every procedure, in every way, on every kind', () => {
    let seen = 0
    for (const bare of kinds) {
      const kind = withOptions(bare, new Map())
      for (const procedure of offers(kind))
        for (const way of procedure.ways) {
          const lanes = lanesOf(procedure, way, kind)
          for (const draft of runEntries([{ procedure, way }], lanes, wellRun(lanes), kind, raisedIds)) {
            const one = entry(draft.kind, draft.body)
            if (!draft.of) {
              const parsed = parseEntry(one)
              expect(parsed.ok, `${kind.id}: ${procedure.id}, ${way.id}: ${draft.kind}`).to.equal(true)
            }
            plain(one, kind.id, `${kind.id}: ${procedure.id}, ${way.id}`)
            seen += 1
          }
        }
    }
    expect(seen).to.be.above(600)
  })

  it('of every repair of every fault, with its tests', () => {
    for (const kind of kinds) {
      const book = bookOf(kind.id)
      if (!book) continue
      for (const fault of book.faults) {
        const symptom = Object.keys(fault.complaints)[0] ?? book.symptoms[0]!.id
        const search = book.tests
          .slice(0, 4)
          .reduce(
            (now, { id, outcomes }, i) =>
              searchStep(now, { type: 'seen', test: id, outcome: outcomes[0]!.id, at: i + 1 }),
            newSearch(symptom, 0),
          )
        const entries = repairEntries({
          book,
          fault,
          text: fault.repair.say,
          kind,
          out: { passed: true, readings: [], looks: ['complaint', 'dry'] },
          search,
          reportId: idOf(),
          idOf,
          machineId,
          today: '2026-11-26',
          at: new Date('2026-11-26T09:30:00Z'),
        })
        for (const one of entries) {
          expect(parseEntry(one).ok, `${kind.id} ${fault.id} ${one.kind}`).to.equal(true)
          plain(one, kind.id, `${kind.id}: ${fault.id}`)
        }
        // What bared live parts and was not measured is held until it is.
        const opened = sheetForFault(fault.id, kind.id)?.opens === true
        if (opened)
          expect(
            entries.some((one) => one.kind === 'held' && one.body.why === 'electrical'),
            `${kind.id}: ${fault.id}`,
          ).to.equal(true)
      }
    }
  })

  it('of every part that is changed', () => {
    for (const kind of kinds)
      for (const { id, variants = [] } of kind.parts)
        for (const variant of [undefined, ...variants])
          for (const draft of fittingEntries({
            part: id,
            condition: 3,
            why: 'worn',
            ...(variant && { variant }),
            ...(kind.groups > 1 && { group: 1 }),
          })) {
            const one = entry(draft.kind, draft.body)
            plain(one, kind.id, `${kind.id}: ${id}`)
          }
  })

  it('of every way that is made the usual one', () => {
    for (const procedure of procedures)
      for (const way of procedure.ways) {
        const one = entry('setting', waySetting(procedure, way))
        expect(parseEntry(one).ok, `${procedure.id}, ${way.id}`).to.equal(true)
        plain(one, 'c2', `${procedure.id}, ${way.id}`)
      }
  })
})
