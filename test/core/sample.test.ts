import { expect } from 'chai'
import fc from 'fast-check'
import { hardnessUnits } from '../../src/core/quantity/hardness.ts'
import type { BenchQuestion, HardnessTest, Sample } from '../../src/core/sample/sample.ts'
import { readAddress, usualWhatIf, writeAddress } from '../../src/core/sample/sample-address.ts'
import { sampleBodies } from '../../src/core/sample/sample-entries.ts'
import { reckonSample } from '../../src/core/sample/sample-reckoning.ts'
import { effective } from '../../src/core/standing/histories.ts'
import { feedWater, waterFacts } from '../../src/core/standing/water/feed-water.ts'
import { saturation } from '../../src/core/water/carbonate.ts'
import { issuesOf } from './ledger/told.ts'
import { entry, setting } from './standing/a-history.ts'

const today = '2026-11-26'
const figure = fc.integer({ min: 0, max: 9999 }).map((n) => n / 100)
const unit = fc.constantFrom(...hardnessUnits)
const test: fc.Arbitrary<HardnessTest> = fc.oneof(
  fc.record({
    by: fc.constant('drops' as const),
    drops: fc.nat({ max: 60 }),
    perDrop: fc.constantFrom(0.5, 1, 1.8),
    unit,
  }),
  fc
    .tuple(figure, figure, unit)
    .map(([a, b, unit]) => ({ by: 'strip' as const, low: Math.min(a, b), high: Math.max(a, b), unit })),
  fc.record({ by: fc.constant('figure' as const), value: figure, unit }),
)
const sample: fc.Arbitrary<Sample> = fc.record(
  {
    total: test,
    carbonate: test,
    after: test,
    pH: fc.integer({ min: 40, max: 100 }).map((n) => n / 10),
    conductivityUsCm: fc.nat({ max: 3000 }),
    tempC: fc.nat({ max: 60 }),
    chlorideMgL: fc.nat({ max: 400 }),
  },
  { requiredKeys: [] },
)
const question: fc.Arbitrary<BenchQuestion> = fc.record({
  sample,
  whatIf: fc.constantFrom(
    { kind: 'none' as const },
    usualWhatIf('softener'),
    usualWhatIf('cartridge'),
    usualWhatIf('blend'),
    usualWhatIf('minerals'),
    { kind: 'cartridge' as const, bypass: 0, capacityG: 187 },
  ),
  litresPerDay: fc.nat({ max: 500 }),
})
const ask = (some: Sample, whatIf: BenchQuestion['whatIf'] = { kind: 'none' }) =>
  reckonSample({ sample: some, whatIf, litresPerDay: 40 }, today, {})

describe('the address of the water bench', () => {
  it('carries the whole question there and back', () => {
    fc.assert(
      fc.property(question, (asked) => {
        expect(readAddress(writeAddress(asked), { litresPerDay: 1 })).to.deep.equal(JSON.parse(JSON.stringify(asked)))
      }),
      { numRuns: 500 },
    )
  })

  it('is short enough to read', () => {
    const asked = readAddress('gh=19x1dH&kh=4-7dH&out=35.7mgL&ph=7.6&w=cartridge&bypass=0.2', { litresPerDay: 30 })
    expect(asked.sample.total).to.deep.equal({ by: 'drops', drops: 19, perDrop: 1, unit: 'dH' })
    expect(asked.sample.carbonate).to.deep.equal({ by: 'strip', low: 4, high: 7, unit: 'dH' })
    expect(asked.whatIf).to.deep.equal({ kind: 'cartridge', bypass: 0.2, capacityG: 500 })
    expect(asked.litresPerDay).to.equal(30)
  })

  it('leaves out what it cannot read, whatever stands there', () => {
    for (const odd of ['gh=19x0dH', 'gh=7-4dH', 'gh=19x1xx', 'ph=15', 'ec=-4', 'gh=999x1dH', 'w=constructor', 'ph=NaN'])
      expect(readAddress(odd, { litresPerDay: 5 })).to.deep.equal({
        sample: {},
        whatIf: { kind: 'none' },
        litresPerDay: 5,
      })
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (text) => {
        expect(readAddress(text, { litresPerDay: 5 }).whatIf).to.have.property('kind')
      }),
    )
  })
})

describe('a sample on the water bench', () => {
  it('is reckoned as the same tests kept at a site are', () => {
    const some: Sample = {
      total: { by: 'drops', drops: 19, perDrop: 1, unit: 'dH' },
      carbonate: { by: 'drops', drops: 15, perDrop: 1, unit: 'dH' },
      pH: 7.6,
      conductivityUsCm: 640,
      tempC: 14,
    }
    const kept = sampleBodies(some).map(({ jotting: { kind, body } }) =>
      entry(kind, today, body, { subjectKind: 'site', subjectId: 's' }),
    )
    const site = feedWater(waterFacts(effective({ site: kept })))
    expect(ask(some).raw).to.deep.equal(site.raw)
    expect(ask(some).tap.brew).to.deep.equal(saturation(site.raw.likely, 93))
  })

  it('becomes bodies that the ledger takes', () => {
    fc.assert(
      fc.property(sample, (some) => {
        // Harder than any tap water is refused by the ledger, and only that.
        for (const { jotting } of sampleBodies(some))
          for (const issue of issuesOf(jotting.kind, jotting.body))
            expect(issue).to.include('harder than any tap water')
      }),
    )
  })

  it('never answers with a figure that is none', () => {
    fc.assert(
      fc.property(question, (asked) => {
        const { tap, treated, working } = reckonSample(asked, today, {})
        expect(JSON.stringify([tap, treated, working])).not.to.match(/NaN|Infinity|null,"unit"/)
      }),
      { numRuns: 300 },
    )
  })

  it('says what it takes from memory, and that nothing was measured', () => {
    const nothing = ask({})
    expect(nothing.assumed).to.equal(true)
    expect(nothing.working.why).to.include('Nothing was measured')
    expect(nothing.working.lines.find(({ what }) => what.startsWith('pH'))).to.include({ mark: 'M' })
    expect(ask({ total: { by: 'figure', value: 19, unit: 'dH' } }).working.why).to.include('Carbonate hardness decides')
  })

  it('takes the firm’s own figure before the one from memory', () => {
    const own = setting('firm', '2026-01-01', { setting: 'figure', figure: 'steam-stick', value: 0.3 })
    const some: Sample = { total: { by: 'figure', value: 19, unit: 'dH' } }
    const usual = reckonSample({ sample: some, whatIf: { kind: 'none' }, litresPerDay: 1 }, today, {})
    const set = reckonSample({ sample: some, whatIf: { kind: 'none' }, litresPerDay: 1 }, today, { firm: [own] })
    expect(set.tap.steamGPer1000L / usual.tap.steamGPer1000L).to.be.closeTo(0.5, 1e-9)
  })

  it('lets a softener take hardness and leave carbonate, and a cartridge take both and turn it sour', () => {
    const some: Sample = {
      total: { by: 'figure', value: 19, unit: 'dH' },
      carbonate: { by: 'figure', value: 15, unit: 'dH' },
      pH: 7.4,
    }
    const soft = ask(some, usualWhatIf('softener'))
    expect(soft.treated!.water.alkalinityMgL).to.equal(soft.tap.water.alkalinityMgL)
    expect(soft.treated!.sodiumMgL).to.be.greaterThan(100)
    const sour = ask(some, usualWhatIf('cartridge'))
    expect(sour.treated!.water.pH).to.be.lessThan(6.5)
    // 500 g at 30 % bypass and 15 °dH: 500 ÷ (0.7 × 267.7 mg/L).
    expect(sour.gives!.litres).to.be.closeTo(2668, 1)
    expect(sour.gives!.days).to.be.closeTo(66.7, 0.1)
  })

  it('holds the pen against the drops', () => {
    const some: Sample = { total: { by: 'drops', drops: 19, perDrop: 1, unit: 'dH' }, conductivityUsCm: 640 }
    expect(ask(some).check!.dH).to.be.closeTo(19.4, 0.01)
    expect(ask({ ...some, conductivityUsCm: 100 }).check!.apart).to.be.lessThan(-0.8)
  })
})
