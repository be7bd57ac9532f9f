import { expect } from 'chai'
import { bookOf } from '../../../src/core/faults/books.ts'
import { nothingKnown, type PriorEvidence, priorReasons } from '../../../src/core/faults/prior-factors.ts'
import { kindById } from '../../../src/core/kinds/index.ts'
import { faultEvidence } from '../../../src/core/standing/fault-evidence.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entry, ledgers, steadyReadings, takenOn } from '../standing/a-history.ts'

const c2 = bookOf('c2')!
const said = (fault: string, evidence: Partial<PriorEvidence>) =>
  priorReasons(c2, { ...nothingKnown, ...evidence })[fault]!.map(
    ({ words, factor }) => `${words} ×${Number(factor.toPrecision(3))}`,
  )
const left = (more: Partial<PriorEvidence['readings'][number]>) => ({
  readings: [{ measure: 'dead-head', name: 'Blind basket', value: 9.2, state: 'left' as const, daysAgo: 10, ...more }],
})

describe('what the ledger’s readings say of a fault (multipliers from memory)', () => {
  it('one left off speaks for what shows it so, and for nothing else', () => {
    const low = left({ value: 6.8 })
    expect(said('bypass-low', low)).to.have.lengthOf(1)
    expect(said('bypass-low', low)[0]).to.match(/^Blind basket left at 6\.8 bar 10 days ago: .* ×3$/)
    expect(said('drain-blocked', low)).to.deep.equal([])
  })

  it('one that drifts towards what a fault shows speaks for it', () => {
    expect(said('bypass-low', left({ value: 9.1, before: 9.9 }))[0]).to.match(/down from 9\.9 ×2$/)
    expect(said('bypass-low', left({ value: 9.9, before: 9.1 }))[0]).to.match(/as it should be ×0\.7$/)
  })

  it('one that was well a few days ago speaks a little against what would not leave it so, later nothing', () => {
    expect(said('bypass-low', left({}))[0]).to.match(/as it should be ×0\.7$/)
    expect(said('bypass-low', left({ daysAgo: 60 }))).to.deep.equal([])
    expect(said('bypass-low', left({ value: 6.8, daysAgo: 200 }))).to.deep.equal([])
  })

  it('says where it was found so', () => {
    expect(said('bypass-low', left({ value: 6.8, state: 'found', daysAgo: 1 }))[0]).to.contain(
      'found at 6.8 bar 1 day ago',
    )
  })
})

describe('what care, chalk and past repairs say of a fault (multipliers from memory)', () => {
  it('a part whose care is overdue is likelier, one in time is not', () => {
    expect(said('three-way-leaks', { careUsed: { 'three-way-valve': 1.4 } })).to.deep.equal([
      '140 % of the time to its next care ×1.2',
    ])
    expect(said('three-way-leaks', { careUsed: { 'three-way-valve': 0.9 } })).to.deep.equal([])
  })

  it('chalk past what is allowed speaks for it, little against it, a descale lately instead of both', () => {
    expect(said('jet-blocked', { chalkUsed: 1.2 })).to.deep.equal(['120 % of the chalk allowed ×1.62'])
    expect(said('jet-blocked', { chalkUsed: 0.1 })).to.deep.equal(['10 % of the chalk allowed ×0.41'])
    expect(said('jet-blocked', { chalkUsed: 1.2, descaledDaysAgo: 3 })).to.include('descaled 3 days ago ×0.4')
    expect(said('keys-dead', { chalkUsed: 1.2 })).to.deep.equal([])
    // The vessel it sits at tells more than the one that has most.
    expect(said('jet-blocked', { chalkUsed: 1.2, chalkAt: { jet: 0.1, boiler: 1.2 } })).to.deep.equal([
      '10 % of the chalk allowed there ×0.41',
    ])
    expect(said('jet-blocked', { chalkUsed: 1.2, chalkAt: { boiler: 1.2 } })).to.deep.equal([
      '120 % of the chalk allowed ×1.62',
    ])
    expect(said('jet-blocked', { spentOutlet: { mgL: 89, daysAgo: 12 } })).to.deep.equal([
      '89 mg/L after the treatment 12 days ago: spent ×1.5',
    ])
    expect(said('keys-dead', { spentOutlet: { mgL: 89, daysAgo: 12 } })).to.deep.equal([])
    expect(said('jet-blocked', { askedToDescaleDaysAgo: 9 })).to.deep.equal(['it asked to be descaled 9 days ago ×2'])
  })

  it('what it was before it may be again, for half a year', () => {
    expect(said('pump-worn', { repaired: [{ fault: 'pump-worn', daysAgo: 100 }] })).to.deep.equal([
      'it was this 100 days ago ×2',
    ])
    expect(said('pump-worn', { repaired: [{ fault: 'pump-worn', daysAgo: 200 }] })).to.deep.equal([])
  })

  it('a part just fitted is seldom worn, and its seat is looked at', () => {
    const lately = {
      fitted: { 'group-gasket': 2 },
      opened: [{ station: 'group', daysAgo: 2 }],
      hands: [{ what: 'a part fitted', station: 'group', daysAgo: 2 }],
    }
    expect(said('gasket-hard', lately)).to.deep.equal(['fitted new 2 days ago ×0.2'])
    expect(said('seal-misfit', lately)).to.include('a part fitted 2 days ago: last hands there ×20')
  })
})

describe('what is read from a ledger for a search', () => {
  const kind = kindById('c2')!
  const history = ledgers([
    takenOn('c2', '2024-01-08'),
    ...steadyReadings('2024-01-08', '2026-01-05', 900),
    entry('measured', '2025-11-03', { measure: 'dead-head', state: 'left', value: 9.6 }),
    entry('measured', '2025-12-20', { measure: 'dead-head', state: 'found', value: 9.4 }),
    entry('measured', '2025-12-20', { measure: 'dead-head', state: 'left', value: 9.1 }),
    entry('measured', '2025-12-20', { measure: 'shot-time', state: 'left', value: 27, group: 2 }),
    entry('prompt-seen', '2025-12-28', { task: 'descale' }),
    entry('fitted', '2026-01-02', { part: 'group-gasket', group: 1 }),
    entry('repaired', '2025-10-01', { text: 'Jet cleared', cause: 'Chalk', fault: 'jet-blocked', cured: true }),
    entry('repaired', '2025-10-01', { text: 'Tried', fault: 'pump-worn', cured: false }),
  ])
  const evidence = faultEvidence(kind, effective(history), reckonMachine(history)!.standings, '2026-01-05')

  it('has the last reading of each measure and group, with the one of an earlier day', () => {
    expect(evidence.readings).to.deep.include.members([
      { measure: 'dead-head', name: 'Blind basket', value: 9.1, state: 'left', daysAgo: 16, before: 9.6 },
      {
        measure: 'shot-time',
        name: kind.measures.find(({ id }) => id === 'shot-time')!.name,
        value: 27,
        state: 'left',
        daysAgo: 16,
      },
    ])
  })

  it('has what was fitted, what was cured, and that it asked', () => {
    expect(evidence.fitted).to.deep.equal({ 'group-gasket': 3 })
    expect(evidence.repaired).to.deep.equal([{ fault: 'jet-blocked', daysAgo: 96 }])
    expect(evidence.askedToDescaleDaysAgo).to.equal(8)
    expect(Object.values(evidence.careUsed).every((share) => share >= 0)).to.equal(true)
    expect(Object.keys(evidence.careUsed).length).to.be.greaterThan(0)
  })

  it('has a spent treatment, until it is regenerated', () => {
    const behind = { subjectKind: 'softener', subjectId: 's' } as const
    const tested = (on: string, value: number) =>
      entry('water-test', on, { point: 'softened', quantity: 'total', method: 'figure', unit: 'dH', value }, behind)
    const behindA = (treatment: string, ...own: ReturnType<typeof entry>[]) => {
      const taken = entry('commissioned', '2025-06-01', { kind: treatment, kindVersion: 1 }, behind)
      return faultEvidence(kind, effective({ ...history, softener: [taken, ...own] }), [], '2026-01-05').spentOutlet
    }
    const spentIn = (...own: ReturnType<typeof entry>[]) => behindA('exchanger', ...own)
    // A decarbonising cartridge lets total hardness by: high behind it says nothing.
    expect(behindA('cartridge', tested('2026-01-02', 6))).to.equal(null)
    expect(spentIn(tested('2025-12-20', 1))).to.equal(null)
    expect(spentIn(tested('2025-12-20', 1), tested('2026-01-02', 6))!.daysAgo).to.equal(3)
    // 6 °dH are 107 mg/L as CaCO₃ (DIN 38409-6: 1 °dH = 17.85 mg/L).
    expect(spentIn(tested('2026-01-02', 6))!.mgL).to.be.closeTo(107, 0.5)
    expect(spentIn(tested('2026-01-02', 6), entry('regenerated', '2026-01-03', {}, behind))).to.equal(null)
  })

  it('asked before it was descaled, it asks no more', () => {
    const since = [...(history.machine ?? []), entry('descaled', '2026-01-03', { task: 'descale' })]
    const now = faultEvidence(kind, effective({ ...history, machine: since }), [], '2026-01-05')
    expect(now.askedToDescaleDaysAgo).to.equal(null)
    expect(now.chalkUsed).to.equal(null)
  })
})
