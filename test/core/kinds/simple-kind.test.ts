import { expect } from 'chai'
import fc from 'fast-check'
import { checkKind } from '../../../src/core/kinds/check-kind.ts'
import { kinds } from '../../../src/core/kinds/index.ts'
import { type SimpleKind, simpleKind, simpleWaters } from '../../../src/core/kinds/simple-kind.ts'
import { stationOf } from '../../../src/core/ledger/station-of.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entryWords } from '../../../src/ui/entry-words.ts'
import { entry, ledgers, steadyReadings, takenOn } from '../standing/a-history.ts'

const firmId = '01939000-0000-7000-8000-000000000001'
const brewer: SimpleKind = {
  name: 'Filter brewer',
  about: 'A basket over a jug',
  water: 'plumbed',
  litresPerOpenDay: 24,
  counter: null,
  tasks: [
    {
      id: 'electrical-test',
      name: 'Electrical safety test',
      action: 'check',
      months: 12,
      minutes: 15,
      caution: 'mains',
    },
    { name: 'Descaled', action: 'clean', months: 6, minutes: 40 },
    { name: 'Tap seal', action: 'replace', months: 24, minutes: 10 },
  ],
}
const kept = (kind: object) =>
  entry(
    'own-kind',
    '2025-01-01',
    { kind: JSON.parse(JSON.stringify(kind)) },
    { subjectKind: 'firm', subjectId: firmId },
  )
const reckoned = (given: SimpleKind, more: ReturnType<typeof entry>[] = []) => {
  const kind = simpleKind(given, [])
  return reckonMachine(ledgers([takenOn(kind.id, '2025-01-06'), ...more], { firm: [kept(kind)] }))!
}
const dueOf = (reckoning: ReturnType<typeof reckoned>) =>
  Object.fromEntries(reckoning.standings.map(({ key, due }) => [key, due?.p50]))

describe('a kind from nothing', () => {
  it('is a whole kind, whatever is said of it, and keeps away from names that are taken', () => {
    const task = fc.record({
      name: fc.string({ minLength: 1, maxLength: 40 }),
      action: fc.constantFrom('clean' as const, 'check' as const, 'service' as const, 'replace' as const),
      months: fc.double({ min: 0.1, max: 240, noNaN: true }),
      minutes: fc.integer({ min: 0, max: 600 }),
    })
    const any = fc.record({
      name: fc.string({ minLength: 1, maxLength: 60 }),
      about: fc.string({ maxLength: 100 }),
      water: fc.constantFrom(...simpleWaters),
      counter: fc.option(
        fc.record({ unit: fc.constantFrom('brews', 'L'), perOpenDay: fc.double({ min: 0.1, max: 5000, noNaN: true }) }),
      ),
      tasks: fc.array(task, { maxLength: 12 }),
    })
    const ids = kinds.map(({ id }) => id)
    fc.assert(
      fc.property(any, (given) => {
        const kind = simpleKind(given, ids)
        expect(checkKind(JSON.parse(JSON.stringify(kind)))).to.have.property('ok', true)
        expect(ids).to.not.include(kind.id)
      }),
    )
    expect(simpleKind(brewer, ['filter-brewer']).id).to.equal('filter-brewer-2')
  })

  it('brings round what the firm says, by its one figure, whatever the policy', () => {
    expect(dueOf(reckoned(brewer))).to.deep.equal({
      'electrical-test': '2026-01-06',
      descaled: '2025-07-06',
      'tap-seal': '2027-01-06',
    })
    const cautious = entry('setting', '2025-02-01', { setting: 'policy', policy: 'cautious' })
    expect(dueOf(reckoned(brewer, [cautious])).descaled).to.equal('2025-07-06')
    const done = entry('cleaned', '2025-05-01', { task: 'descaled' })
    expect(dueOf(reckoned(brewer, [done])).descaled).to.equal('2025-11-01')
  })

  it('waits for no counter where it has none, and goes by one where it has', () => {
    expect(reckoned(brewer)).to.include({ uncounted: true, litresPerOpenDay: 24 })
    const counted: SimpleKind = {
      ...brewer,
      counter: { unit: 'brews', perOpenDay: 20 },
      tasks: [{ name: 'Spray head', action: 'clean', counts: 1000, minutes: 10 }],
    }
    const read = reckoned(counted, steadyReadings('2025-01-06', '2025-03-03', 350))
    expect(read.uncounted).to.equal(undefined)
    expect(read.counter).to.include({ unit: 'brews' })
    // 1,000 at 50 a day, give or take what a rate is known by.
    expect(dueOf(read)['spray-head']).to.equal('2025-01-25')
  })

  it('is said in its own words, and drawn where it is', () => {
    const kind = simpleKind(brewer, [])
    const fitted = entry('fitted', '2025-05-01', { part: 'tap-seal' })
    expect(entryWords(fitted, kind)).to.match(/Tap seal/)
    expect(stationOf(fitted, kind)).to.equal('machine')
    expect(entryWords(entry('cleaned', '2025-05-01', { task: 'descaled' }), kind)).to.match(/Descaled/)
  })
})
