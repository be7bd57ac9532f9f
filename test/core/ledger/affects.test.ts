import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect } from 'chai'
import fc from 'fast-check'
import { affectsTable } from '../../../scripts/affects-table.ts'
import { root } from '../../../scripts/install.mjs'
import { affectsOf } from '../../../src/core/ledger/affects.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { type EntryKind, entryKindNames, entryKindOf } from '../../../src/core/ledger/entry-kinds.ts'
import type { SubjectKind } from '../../../src/core/ledger/subject.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import type { Ledgers } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { siteHistory } from '../../../src/demo/site-history.ts'
import { demoSites } from '../../../src/demo/world.ts'
import { anEntry } from './any-entry.ts'
import { asKept } from './told.ts'

const uuid = (n: number) => `01939000-0000-7000-8000-${String(n).padStart(12, '0')}`
const whole = demoSites.find(({ softener, machines }) => softener?.resinL && machines.length > 1)!
const site = { ...whole, machines: whole.machines.slice(0, 2) }
const ids = {
  siteId: uuid(1),
  softenerId: uuid(2),
  machineIds: site.machines.map((_, i) => uuid(10 + i)),
  ...{ technicianId: uuid(5), gaugeId: uuid(6), reagentId: uuid(7) },
}
const endDay = '2026-11-26'
const { entries } = siteHistory('affects', site, ids, toDay(endDay))
const [first, second] = ids.machineIds as [string, string, ...string[]]

/** Every standing of the machines and the softener, as they are kept, once some more is written. */
function reckoned(more: Entry[]): Map<string, string> {
  const about = (id: string) => [...entries, ...more].filter((entry) => entry.subjectId === id)
  const shared = { site: about(ids.siteId), softener: about(ids.softenerId), supply: [], customer: [], firm: [] }
  const ledgersOf = (id: string): Ledgers => ({ ...shared, machine: about(id) })
  return new Map([
    ...ids.machineIds.map((id) => [id, JSON.stringify(reckonMachine(ledgersOf(id), { showWorking: false }))] as const),
    [
      ids.softenerId,
      JSON.stringify(reckonSoftener(shared, ids.machineIds.map(ledgersOf), { showWorking: false })),
    ] as const,
  ])
}

const before = reckoned([])
const moved = (entry: Entry): string[] =>
  [...reckoned([entry])].flatMap(([id, after]) => (after === before.get(id) ? [] : [id]))

/** The subjects of this world that an entry can be about. */
const subjects: Partial<Record<SubjectKind, string>> = { machine: first, softener: ids.softenerId, site: ids.siteId }

/** By a single entry of a kind, about the first machine or its softener, what must move: the kind says so. */
const telling: Partial<Record<EntryKind, [subject: SubjectKind, body: object, moves: 'own' | 'other' | 'both']>> = {
  reading: ['machine', { counter: 'shots', count: 5_000_000 }, 'both'],
  'water-test': ['site', { point: 'raw', quantity: 'total', method: 'figure', unit: 'dH', value: 30 }, 'other'],
  'water-figures': ['site', { point: 'raw', by: 'pen', conductivityUsCm: 2200 }, 'other'],
  fitted: ['machine', { part: 'group-gasket', group: 1 }, 'own'],
  inspected: ['machine', { part: 'group-gasket', group: 1, condition: 4 }, 'own'],
  cleaned: ['machine', { task: 'screen-soak', group: 1 }, 'own'],
  serviced: ['softener', { task: 'resin' }, 'own'],
  descaled: ['machine', { task: 'descale' }, 'own'],
  regenerated: ['softener', { saltKg: 1 }, 'other'],
  held: ['machine', { why: 'detergent' }, 'own'],
  stage: ['machine', { stage: 'still' }, 'both'],
  setting: ['site', { setting: 'opening', openWeekdays: [1] }, 'other'],
}

describe('whose dates an entry moves', () => {
  it('stands in a table as the registry has it (npm run schemas)', () => {
    expect(readFileSync(join(root, 'src/core/ledger/affects-table.ts'), 'utf8')).to.equal(affectsTable())
  })

  it('is nobody’s, its own or all along: any entry of a kind moves no more than its kind says', function () {
    this.timeout(60_000)
    for (const [subjectKind, subjectId] of Object.entries(subjects) as [SubjectKind, string][]) {
      const kinds = entryKindNames.filter((kind) => entryKindOf(kind).about.includes(subjectKind))
      const some = anEntry(subjectKind).filter((entry) => affectsOf(entry) !== 'along')
      if (!kinds.some((kind) => entryKindOf(kind).affects !== 'along')) continue
      fc.assert(
        fc.property(some, fc.integer({ min: -300, max: 60 }), (entry, later) => {
          const on = fromDay(toDay(endDay) + later)
          const one = { ...entry, subjectId, happenedOn: on, happenedAt: `${on}T10:00:00Z` }
          const others = moved(one).filter((id) => affectsOf(one) !== 'itself' || id !== subjectId)
          expect(others, `${one.kind} on ${on}: ${JSON.stringify(one.body)}`).to.deep.equal([])
        }),
        { numRuns: 30 },
      )
    }
  })

  for (const [kind, [subjectKind, body, moves]] of Object.entries(telling))
    it(`${kind} moves ${moves === 'own' ? 'what it is about' : moves === 'both' ? 'that and its neighbours' : 'all that it feeds'}`, () => {
      const subjectId = subjects[subjectKind]!
      const one = asKept({
        ...{ id: uuid(900), subjectKind, subjectId, kind: kind as EntryKind, body },
        ...{ happenedOn: '2026-11-30', happenedAt: '2026-11-30T10:00:00Z' },
      })
      const found = moved(one)
      if (moves !== 'other') expect(found).to.include(subjectId)
      if (moves === 'own') expect(found).to.have.members([subjectId])
      if (moves === 'both') expect(found).to.include(ids.softenerId).and.not.include(second)
      if (moves === 'other') expect(found).to.include.members([first, second])
    })
})
