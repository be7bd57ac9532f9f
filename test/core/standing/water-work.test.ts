import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { exchangerFacts } from '../../../src/core/standing/exchanger-facts.ts'
import { effective, type Ledgers } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { meterOverCounts, softenerFacts } from '../../../src/core/standing/softener-facts.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { cartridgeTests, outletTests } from '../../../src/core/standing/water/outlet-tests.ts'
import { waterRails } from '../../../src/core/standing/water/water-rails.ts'
import {
  together,
  type treatedBy,
  type WaterMachine,
  yearOfWater,
} from '../../../src/core/standing/water/year-of-water.ts'
import { entry, everyDay, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-01-01'
const about = { subjectKind: 'softener', subjectId: 'softener' } as const
const raw = entry(
  'water-test',
  from,
  { point: 'raw', quantity: 'total', method: 'figure', unit: 'dH', value: 19 },
  { subjectKind: 'site', subjectId: 'site' },
)
const carbonate = entry(
  'water-test',
  from,
  { point: 'raw', quantity: 'carbonate', method: 'figure', unit: 'dH', value: 15 },
  { subjectKind: 'site', subjectId: 'site' },
)
const site = [everyDay, raw, carbonate]
const bar = ledgers([takenOn('c2', from), ...steadyReadings('2025-01-06', '2026-01-05', 1200)], { site })
const office = ledgers([takenOn('sr', from), ...steadyReadings('2025-01-06', '2026-01-05', 200)], { site })
const outlet = (on: string, drops: number) =>
  entry(
    'water-test',
    on,
    { point: 'softened', quantity: 'total', method: 'drops', unit: 'dH', drops, perDrop: 1 },
    about,
  )
const regenerated = (on: string) => entry('regenerated', on, { saltKg: 1.5 }, about)
const softener = (more: Entry[] = [], set: Record<string, unknown> = {}): Ledgers => ({
  softener: [
    entry('commissioned', from, { kind: 'exchanger', kindVersion: 1, partsNew: true }, about),
    setting('softener', from, { setting: 'exchanger', resinL: 12, ...set }),
    ...more,
  ],
  site,
})

describe('a softener that regenerates itself', () => {
  const own = (more: Entry[] = []) => softener(more, { regenerates: 'itself', saltGPerL: 120, saltTankKg: 25 })
  it('asks for salt, not for a hand', () => {
    const { standings } = reckonSoftener(own(), [bar])!
    expect(standings.map(({ key }) => key)).to.deep.equal([
      'salt',
      'outlet-test',
      'resin-top-up',
      'resin',
      'valve-seals',
    ])
    // 25 kg at 12 L × 120 g, every four days at the most.
    expect(standings[0]!.uses[0]!.limit).to.be.closeTo(Math.floor((25 / 1.44) * 4), 12)
  })

  it('counts from the last filling', () => {
    const filled = entry('salt-added', '2025-12-01', { kg: 25 }, about)
    const { standings } = reckonSoftener(own([filled]), [bar])!
    expect(standings[0]).to.include({ since: '2025-12-01', governing: 'salt' })
    expect(toDay(standings[0]!.due!.p50) - toDay('2025-12-01')).to.equal(standings[0]!.uses[0]!.limit)
  })

  it('takes up by its salt', () => {
    const facts = softenerFacts(own(), [bar])!
    expect(exchangerFacts(facts.histories, facts.draw)).to.include({ itself: true, usualGPerL: 50 })
  })
})

describe('a softener’s outlet', () => {
  it('is tested against the litres since its last regeneration, the day of one left out', () => {
    const given = softener([
      regenerated('2025-06-01'),
      outlet('2025-06-20', 1),
      regenerated('2025-07-01'),
      outlet('2025-07-01', 8),
    ])
    const facts = softenerFacts(given, [bar])!
    const tests = outletTests(facts.histories, facts.draw)
    expect(tests.map(({ spent }) => spent)).to.deep.equal([false, true])
    expect(tests[0]!.litres).to.be.closeTo(facts.draw.between(toDay('2025-06-01'), toDay('2025-06-20')), 1e-9)
    // Tested and regenerated on one day: tested first.
    expect(tests[1]!.litres).to.be.closeTo(facts.draw.between(toDay('2025-06-01'), toDay('2025-07-01')), 1e-9)
  })

  it('moves the date of that softener by what it showed', () => {
    const gives = (more: Entry[]) => {
      const facts = softenerFacts(softener(more), [bar])!
      return exchangerFacts(facts.histories, facts.draw)!.gives!.value
    }
    const early = [
      regenerated('2025-06-01'),
      outlet('2025-07-16', 9),
      regenerated('2025-07-17'),
      outlet('2025-08-30', 9),
      regenerated('2025-09-01'),
    ]
    expect(gives(early)).to.be.lessThan(gives([regenerated('2025-06-01')]) * 0.95)
    // A capacity somebody set is not learned over.
    const facts = softenerFacts(softener(early, { capacityGPerL: 30 }), [bar])!
    expect(exchangerFacts(facts.histories, facts.draw)!.capacity).to.deep.equal({
      value: 30,
      below: 0,
      above: 0,
      tests: [],
    })
  })
})

describe('a cartridge’s outlet', () => {
  const cartridge = (more: Entry[] = []): Ledgers => ({
    softener: [
      entry('commissioned', from, { kind: 'cartridge', kindVersion: 1, partsNew: true }, about),
      setting('softener', from, { setting: 'cartridge', capacityG: 875, bypass: 0.3 }),
      ...more,
    ],
    site,
  })
  const carbonateAfter = (on: string, dh: number) =>
    entry(
      'water-test',
      on,
      { point: 'softened', quantity: 'carbonate', method: 'figure', unit: 'dH', value: dh },
      about,
    )
  const gives = (more: Entry[] = []) =>
    reckonSoftener(cartridge(more), [bar])!
      .standings.find(({ key }) => key === 'change-cartridge')!
      .uses.find(({ clock }) => clock === 'litres')!.limit

  it('is told by carbonate hardness, two degrees above what its bypass leaves', () => {
    const facts = softenerFacts(cartridge([carbonateAfter('2025-03-01', 5), carbonateAfter('2025-09-01', 8)]), [bar])!
    const tests = cartridgeTests(facts.histories, facts.draw, 0.3)
    // 15 °dH at 30 % bypass leaves 4.5: five is working, eight is through.
    expect(tests.map(({ spent }) => spent)).to.deep.equal([false, true])
    expect(tests[0]!.removedMgL).to.be.closeTo(0.7 * 15 * 17.848, 1e-6)
    // Total hardness after it says nothing.
    const total = softenerFacts(cartridge([outlet('2025-03-01', 14)]), [bar])!
    expect(cartridgeTests(total.histories, total.draw, 0.3)).to.deep.equal([])
  })

  it('teaches that cartridge its own grams, and the working says how', () => {
    const usual = gives()
    // 875 g ÷ (0.7 × 267.7 mg/L), as printed, until a test speaks.
    expect(usual).to.be.closeTo(4669, 2)
    const early = gives([carbonateAfter('2025-07-20', 9)])
    expect(early).to.be.lessThan(usual * 0.97)
    const standing = reckonSoftener(cartridge([carbonateAfter('2025-07-20', 9)]), [bar])!.standings[0]!
    const line = standing.working.lines.find(({ what }) => what === 'As its outlet showed')!
    expect(line.source).to.equal('1 test of carbonate hardness, 1 found it spent')
  })
})

describe('a meter beside the counts', () => {
  it('gives one factor for all that stands behind it', () => {
    const plain = softenerFacts(softener(), [bar])!
    const days = ['2025-10-01', '2025-11-01', '2025-12-01']
    const readings = days.map((on) =>
      entry(
        'reading',
        on,
        { counter: 'litres', count: Math.round(1.2 * plain.counted.between(toDay(days[0]!), toDay(on))) },
        about,
      ),
    )
    const found = meterOverCounts(softenerFacts(softener(readings), [bar])!)!
    expect(found.factor).to.be.closeTo(1.2, 0.01)
    expect(found.intervals).to.equal(2)
    expect(meterOverCounts(plain)).to.equal(null)
    const counted = machineFacts(
      effective({ ...bar, softener: [setting('softener', from, { setting: 'budget-factor', factor: 1.2 })] }),
    )!
    expect(counted.budget).to.include({ from: 'factor', factor: 1.2 })
  })
})

describe('the rails of water work', () => {
  it('show what was done, what was missed and what is planned', () => {
    const done = ['2025-10-01', '2025-10-15', '2025-11-20', '2025-12-04'].map(regenerated)
    const given = softener(done)
    const { standings } = reckonSoftener(given, [bar])!
    const [rail] = waterRails(effective(given), standings, toDay('2025-09-01'), toDay('2026-03-01'))
    expect(rail!.name).to.equal('Regenerate')
    expect(rail!.done).to.have.length(4)
    expect(rail!.missed).to.have.length(1)
    expect(rail!.planned.length).to.be.greaterThan(3)
    expect(rail!.planned[0]).to.be.at.least(toDay('2026-01-05') - 20)
  })
})

describe('a year of a site’s water', () => {
  const machines = [bar, office].map((given): WaterMachine => {
    const facts = machineFacts(effective(given))!
    return { facts, chalk: machineChalk(facts)! }
  })
  const water = machines[0]!.chalk.water.raw.likely
  const granted = { leakageMgL: 18, reserve: 0.15, citricExcess: 2 }
  const year = (...[treatment, prices = {}]: [Parameters<typeof treatedBy>[1], object?]) =>
    yearOfWater(machines, water, treatment, granted, prices)

  it('draws the same whatever the treatment, and lays down less behind one', () => {
    const none = year({ kind: 'none' })
    const soft = year({ kind: 'itself', resinL: 10, saltGPerL: 120 })
    expect(soft.litres).to.equal(none.litres)
    expect(soft.chalkG).to.be.lessThan(none.chalkG / 4)
    expect(soft.acidG).to.be.lessThan(none.acidG)
    // Whatever the litres, every four days: hygiene.
    expect(soft.regenerations).to.be.at.least(91)
    expect(soft.saltKg).to.be.closeTo(soft.regenerations * 1.2, 1e-9)
  })

  it('changes a cartridge by its grams, once a year at the least', () => {
    const { cartridges, litres } = year({ kind: 'cartridge', capacityG: 875, bypass: 0.3 })
    // Mass balance: grams taken out over grams a cartridge holds.
    expect(cartridges).to.be.closeTo((litres * 0.7 * water.alkalinityMgL) / 1000 / 875, 1e-6)
    expect(year({ kind: 'cartridge', capacityG: 100_000, bypass: 0.3 }).cartridges).to.equal(1)
  })

  it('sends a membrane’s reject down the drain, and costs what has a price', () => {
    const ro = year({ kind: 'membrane', rawShare: 0.2, rejectLPerL: 2 }, { waterPerM3: 4 })
    expect(ro.wasteL).to.be.closeTo(ro.litres * 0.8 * 2, 1e-6)
    expect(ro.total).to.be.closeTo((4 * (ro.litres + ro.wasteL)) / 1000, 1e-9)
    expect(year({ kind: 'none' }).costs).to.deep.equal([])
  })

  it('adds groups of machines up, and feeds them on average by litres', () => {
    const [a, b] = [
      yearOfWater([machines[0]!], water, { kind: 'none' }, granted, {}),
      yearOfWater([machines[1]!], water, { kind: 'itself', resinL: 10, saltGPerL: 120 }, granted, {}),
    ]
    const sum = together([a, b])
    expect(sum.litres).to.equal(a.litres + b.litres)
    expect(sum.fed.hardnessMgL).to.be.within(b.fed.hardnessMgL, a.fed.hardnessMgL)
    expect(
      (sum.fed.hardnessMgL * sum.litres) / (a.fed.hardnessMgL * a.litres + b.fed.hardnessMgL * b.litres),
    ).to.be.closeTo(1, 1e-9)
  })
})
