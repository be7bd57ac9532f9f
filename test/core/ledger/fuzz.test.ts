import { expect } from 'chai'
import fc from 'fast-check'
import { kinds } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { entryKindNames } from '../../../src/core/ledger/entry-kinds.ts'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'
import { canonical } from '../../../src/core/ledger/same-body.ts'
import { settingNames } from '../../../src/core/ledger/setting-kinds.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { anEntry, bodies } from './any-entry.ts'

describe('any history the ledger would take', () => {
  it('has a body for every kind of entry and setting under test', () => {
    expect(new Set(Object.keys(bodies))).to.deep.equal(new Set(entryKindNames))
    expect(settingNames).to.include.members(['way', 'opening', 'closure', 'life', 'groups'])
  })

  it('is taken', () => {
    for (const subjectKind of ['machine', 'softener', 'site', 'firm', 'supply', 'customer', 'instrument'] as const) {
      fc.assert(
        fc.property(anEntry(subjectKind), (entry) => {
          const parsed = parseEntry(entry)
          expect(parsed.ok, JSON.stringify(parsed)).to.equal(true)
        }),
        { numRuns: 60 },
      )
    }
  })

  it('is reckoned without a number that is none, whatever stands in it', () => {
    const taken = (kind: string): Entry => ({
      id: '01939000-0000-7000-8000-00000000000a',
      subjectKind: 'machine',
      subjectId: 'm',
      kind: 'commissioned',
      happenedAt: '2024-10-05T10:00:00Z',
      happenedOn: '2024-10-05',
      body: { v: 1, kind, kindVersion: 1, partsNew: true },
    })
    const ledgers = fc.record({
      machine: fc.array(anEntry('machine'), { maxLength: 25 }),
      site: fc.array(anEntry('site'), { maxLength: 6 }),
      softener: fc.array(anEntry('softener'), { maxLength: 8 }),
      firm: fc.array(anEntry('firm'), { maxLength: 3 }),
    })
    fc.assert(
      fc.property(ledgers, fc.constantFrom(...kinds.map(({ id }) => id)), (given, kind) => {
        const machine = { ...given, machine: [taken(kind), ...given.machine] }
        const reckoned = [reckonMachine(machine), reckonSoftener({ ...given, machine: undefined } as never, [machine])]
        expect(JSON.stringify(reckoned.filter(Boolean))).not.to.match(/NaN|Infinity|:null/)
        for (const { due, key } of reckoned.flatMap((one) => one?.standings ?? [])) {
          if (due) expect(due.p10 <= due.p50 && due.p50 <= due.p90, key).to.equal(true)
        }
      }),
      { numRuns: 150 },
    )
  })

  it('is refused with issues, never with an exception, when it is something else', () => {
    const broken = fc.oneof(
      fc.anything(),
      fc
        .tuple(
          anEntry('machine'),
          fc.constantFrom('id', 'kind', 'subjectKind', 'happenedOn', 'body', 'happenedAt'),
          fc.anything(),
        )
        .map(([entry, field, value]) => ({ ...entry, [field]: value })),
      fc
        .tuple(anEntry('machine'), fc.dictionary(fc.string(), fc.anything()))
        .map(([entry, extra]) => ({ ...entry, body: { ...entry.body, ...extra } })),
    )
    fc.assert(
      fc.property(broken, (input) => {
        const parsed = parseEntry(input)
        if (!parsed.ok) for (const issue of parsed.issues) expect(issue.message).to.be.a('string').with.length.above(3)
      }),
      { numRuns: 600 },
    )
  })

  it('is spelled one way whatever the order of its keys', () => {
    fc.assert(
      fc.property(anEntry('machine'), (entry) => {
        const reversed = Object.fromEntries(Object.entries(entry).reverse())
        expect(canonical(reversed)).to.equal(canonical(entry))
        expect(JSON.parse(canonical(entry))).to.deep.equal(JSON.parse(JSON.stringify(entry)))
      }),
    )
  })
})
