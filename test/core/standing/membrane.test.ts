import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { mgLPer } from '../../../src/core/quantity/hardness.ts'
import { behindBlend, passageOf, penReading } from '../../../src/core/softener/membrane.ts'
import { effective, type Ledgers } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { waterAlong } from '../../../src/core/standing/water/along-path.ts'
import { boilerConcentrate } from '../../../src/core/standing/water/boiler-concentrate.ts'
import { fedFigures } from '../../../src/core/standing/water/feed-water.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { passageTests } from '../../../src/core/standing/water/passage-tests.ts'
import { carbonBefore, treatmentBefore } from '../../../src/core/standing/water/treatment-before.ts'
import { waterRails } from '../../../src/core/standing/water/water-rails.ts'
import { blended, permeated } from '../../../src/core/water/treatment.ts'
import { entry, everyDay, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-01-01'
const about = { subjectKind: 'softener', subjectId: 'softener' } as const
const atSite = { subjectKind: 'site', subjectId: 'site' } as const
const figures = (on: string, point: string, read: Record<string, number>) =>
  entry('water-figures', on, { point, by: 'pen', ...read }, point === 'raw' ? atSite : about)
const tested = (quantity: string, value: number) =>
  entry('water-test', from, { point: 'raw', quantity, method: 'figure', unit: 'dH', value }, atSite)
const site = [
  everyDay,
  tested('total', 19),
  tested('carbonate', 15),
  figures(from, 'raw', { conductivityUsCm: 640, chlorideMgL: 60, pH: 7.3 }),
]
const bar = (softener: Entry[], around = site) =>
  ledgers([takenOn('c2', from), ...steadyReadings('2025-01-06', '2026-01-05', 1200)], { site: around, softener })

const taken = (kind: string) => entry('commissioned', from, { kind, kindVersion: 1, partsNew: true }, about)
const membrane = (more: Entry[] = [], set: Record<string, unknown> = {}): Entry[] => [
  taken('membrane'),
  setting('softener', from, { setting: 'membrane', rawShare: 0.25, ...set }),
  ...more,
]
const permeate = (on: string, conductivityUsCm: number) => figures(on, 'permeate', { conductivityUsCm })
const standings = (softener: Entry[], around = site) =>
  reckonSoftener({ softener, site: around }, [bar(softener, around)])!.standings
const standing = (softener: Entry[], key: string, around = site) =>
  standings(softener, around).find((one) => one.key === key)!
const historiesOf = (softener: Entry[], around = site) => effective({ softener, site: around } satisfies Ledgers)

describe('a membrane’s passage', () => {
  it('is conductivity behind it over that before it, as far as a pen can tell', () => {
    const found = passageOf(penReading(30), penReading(600))!
    expect(found.value).to.equal(0.05)
    // 4 % and 5 µS/cm on both, from memory.
    expect(found.low).to.be.closeTo((30 * 0.96 - 5) / (600 * 1.04 + 5), 1e-12)
    expect(found.high).to.be.closeTo((30 * 1.04 + 5) / (600 * 0.96 - 5), 1e-12)
    expect(passageOf(penReading(3), penReading(4))).to.equal(null)
  })

  it('is told from a blend too: what was mixed in comes off again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        fc.integer({ min: 100, max: 2000 }),
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        (rawShare, feed, passage) => {
          const behind = feed * passage
          const blend = rawShare * feed + (1 - rawShare) * behind
          const told = behindBlend(penReading(blend), penReading(feed), rawShare)
          expect(told.value).to.be.closeTo(behind, 1e-6)
          expect(told.low).to.be.at.most(told.value)
          expect(told.high).to.be.at.least(told.value)
        },
      ),
    )
  })

  it('goes by the feed that was measured, else by its hardness, and says which', () => {
    const [measured] = passageTests(historiesOf(membrane([permeate('2025-06-01', 32)])))
    expect(measured).to.include({ feedUsCm: 640, feedMeasured: true, fromBlend: false })
    expect(measured!.passage.value).to.equal(0.05)
    const [byHardness] = passageTests(historiesOf(membrane([permeate('2025-06-01', 32)]), site.slice(0, 3)))
    // 33 µS/cm a degree, from memory.
    expect(byHardness!.feedUsCm).to.be.closeTo(19 * 33, 1e-6)
    expect(byHardness!.feedMeasured).to.equal(false)
    const [blend] = passageTests(historiesOf(membrane([figures('2025-06-01', 'softened', { conductivityUsCm: 184 })])))
    expect(blend).to.include({ fromBlend: true })
    expect(blend!.passage.value).to.be.closeTo(0.05, 1e-9)
    // What is dosed conducts as well.
    const dosed = { dosed: { calciumMgL: 60, magnesiumMgL: 0, bicarbonateMgL: 60 } }
    expect(
      passageTests(historiesOf(membrane([figures('2025-06-01', 'softened', { conductivityUsCm: 184 })], dosed))),
    ).to.deep.equal([])
  })
})

describe('a membrane', () => {
  it('is changed by age where nobody measured it: three years, by way', () => {
    const change = standing(membrane(), 'change-membrane')
    expect(change).to.include({ governing: 'months', since: from })
    expect(change.due!.p50).to.equal('2028-01-01')
    const cautious = standing(
      membrane([setting('softener', from, { setting: 'policy', policy: 'cautious' })]),
      'change-membrane',
    )
    expect(cautious.due!.p50).to.equal('2027-01-01')
  })

  it('is changed when the straight line through its passage reaches a tenth', () => {
    // Four per cent when new, seven after a year: ten another year on.
    const change = standing(membrane([permeate('2026-01-01', 640 * 0.07)]), 'change-membrane')
    expect(change.governing).to.equal('conductivity')
    expect(change.due!.p50 >= '2026-12-31' && change.due!.p50 <= '2027-01-02', change.due!.p50).to.equal(true)
    expect(change.due!.p10 < change.due!.p50 && change.due!.p50 < change.due!.p90).to.equal(true)
    expect(change.uses.find(({ clock }) => clock === 'conductivity')).to.include({ used: 7, limit: 10 })
    expect(change.working.lines.map(({ what }) => what)).to.include.members([
      'Passage',
      'Passage when new',
      'Reaches it',
    ])
    // A line through its own measurements beats the one from memory.
    const own = standing(
      membrane([permeate('2025-07-01', 640 * 0.06), permeate('2026-01-01', 640 * 0.07)]),
      'change-membrane',
    )
    expect(own.due!.p50 > change.due!.p50).to.equal(true)
    expect(own.working.lines.map(({ what }) => what)).to.include('Passage before')
  })

  it('is due that day when more is found, and starts anew once changed', () => {
    const worn = membrane([permeate('2026-01-01', 640 * 0.13)])
    expect(standing(worn, 'change-membrane').due!.p50).to.equal('2026-01-01')
    const changed = standing([...worn, entry('membrane-changed', '2026-01-02', {}, about)], 'change-membrane')
    expect(changed).to.include({ since: '2026-01-02', sinceKnown: true, governing: 'months' })
    // One that lets through less than before never reaches its limit.
    const good = standing(membrane([permeate('2026-01-01', 640 * 0.02)]), 'change-membrane')
    expect(good.governing).to.equal('months')
  })

  it('feeds what passes and what is mixed in, and conducts enough for a probe or is warned of', () => {
    const histories = (set: Record<string, unknown>) =>
      machineFacts(effective(bar(membrane([permeate('2026-01-01', 32)], set))))!
    const facts = histories({})
    const chalk = machineChalk(facts)!
    const { raw, fed } = chalk.water
    const mixed = blended(raw.likely, permeated(raw.likely, { share: 0.05, pH: 5.8 }), 0.25)
    for (const name of ['hardnessMgL', 'alkalinityMgL', 'conductivityUsCm', 'pH'] as const)
      expect(fed.likely[name], name).to.be.closeTo(mixed[name], 1e-6)
    expect(fed.likely.hardnessMgL).to.be.closeTo(19 * mgLPer.dH * (0.25 + 0.75 * 0.05), 0.01)
    // Chloride goes with the ions, where a softener would have left it.
    const boiler = boilerConcentrate(facts, chalk)!
    expect(boiler.solutes.find(({ name }) => name === 'chloride')!.feed).to.be.closeTo(60 * 0.2875, 1e-9)
    expect(fedFigures(chalk.facts, chalk.water).chlorideMgL).to.be.closeTo(60 * 0.2875, 1e-9)
    const alone = machineChalk(histories({ rawShare: 0 }))!
    expect(fedFigures(alone.facts, alone.water).conductivityUsCm).to.be.lessThan(50)
    const along = waterAlong(facts.kind, chalk, boiler, true).find(({ id }) => id === 'fed')!
    expect(along).to.include({ name: 'After membrane', said: 'passage 5 %, 2026-01-01' })
  })

  it('adds what is dosed', () => {
    const dosed = { calciumMgL: 50, magnesiumMgL: 20, bicarbonateMgL: 55 }
    const chalkOf = (set: Record<string, unknown>) =>
      machineChalk(machineFacts(effective(bar(membrane([], { rawShare: 0, ...set }))))!)!.water.fed.likely
    const [without, with_] = [chalkOf({}), chalkOf({ dosed })]
    expect(with_.hardnessMgL - without.hardnessMgL).to.be.closeTo(70, 1e-9)
    expect(with_.alkalinityMgL - without.alkalinityMgL).to.be.closeTo(55, 1e-9)
    expect(with_.pH).to.be.above(without.pH)
  })

  it('is asked about its conductivity, not its hardness', () => {
    expect(standings(membrane()).map(({ key, name }) => [key, name])).to.deep.equal([
      ['change-membrane', 'Change membrane'],
      ['outlet-test', 'Measure conductivity after membrane'],
    ])
    expect(standing(membrane([permeate('2025-12-01', 30)]), 'outlet-test').since).to.equal('2025-12-01')
    expect(
      waterRails(historiesOf(membrane()), standings(membrane()), 20000, 22000).map(({ name }) => name),
    ).to.deep.equal(['Change membrane'])
  })
})

describe('carbon', () => {
  const fitted = (on: string, more: Record<string, unknown> = {}) =>
    setting('softener', on, { setting: 'prefilter', fitted: true, ...more })
  const alone = [taken('carbon'), fitted(from)]

  it('stands alone or before another treatment, and leaves hardness as it is', () => {
    expect(treatmentBefore(historiesOf(alone)).kind).to.equal('carbon')
    expect(carbonBefore(historiesOf(membrane()))).to.equal(false)
    expect(carbonBefore(historiesOf(membrane([fitted(from)])))).to.equal(true)
    const { raw, fed } = machineChalk(machineFacts(effective(bar(alone)))!)!.water
    expect(fed).to.deep.equal(raw)
    expect(standings(alone).map(({ key }) => key)).to.deep.equal(['change-prefilter', 'outlet-test'])
    expect(standings(membrane([fitted(from)])).map(({ key }) => key)).to.deep.equal([
      'change-membrane',
      'change-prefilter',
      'outlet-test',
    ])
  })

  it('is changed by age, by the litres printed on it, or the day chlorine is found behind it', () => {
    expect(standing(alone, 'change-prefilter')).to.include({ governing: 'months' })
    expect(standing(alone, 'change-prefilter').due!.p50).to.equal('2025-07-01')
    const litres = standing([taken('carbon'), fitted(from, { litres: 500 })], 'change-prefilter')
    expect(litres).to.include({ governing: 'litres' })
    const chlorine = (read: Record<string, number>) =>
      standing(
        [...alone, entry('prefilter-changed', '2025-12-01', {}, about), figures('2026-01-03', 'softened', read)],
        'change-prefilter',
      )
    expect(chlorine({ freeChlorineMgL: 0.2 })).to.include({ governing: 'chlorine', since: '2025-12-01' })
    expect(chlorine({ freeChlorineMgL: 0.2 }).due!.p50).to.equal('2026-01-03')
    expect(chlorine({ freeChlorineMgL: 0.02, totalChlorineMgL: 0.4 }).governing).to.equal('chlorine')
    expect(chlorine({ freeChlorineMgL: 0.02, totalChlorineMgL: 0.05 }).governing).to.equal('months')
  })

  it('counts from the day it was put in, however often its litres were edited since', () => {
    const later = membrane([fitted('2025-09-01'), fitted('2025-11-01', { litres: 90_000 })])
    expect(standing(later, 'change-prefilter').since).to.equal('2025-09-01')
    const outAndIn = membrane([
      fitted('2025-03-01'),
      setting('softener', '2025-05-01', { setting: 'prefilter', fitted: false }),
      fitted('2025-10-01'),
    ])
    expect(standing(outAndIn, 'change-prefilter').since).to.equal('2025-10-01')
  })

  it('lets chlorine be judged by what was found behind it', () => {
    const water = (softener: Entry[]) => {
      const around = [...site, figures('2025-03-01', 'raw', { freeChlorineMgL: 0.3 })]
      const chalk = machineChalk(machineFacts(effective(bar(softener, around)))!)!
      return fedFigures(chalk.facts, chalk.water).freeChlorineMgL
    }
    expect(water([taken('exchanger')])).to.equal(0.3)
    expect(water(alone)).to.equal(undefined)
    expect(water([...alone, figures('2025-04-01', 'softened', { freeChlorineMgL: 0.04 })])).to.equal(0.04)
  })
})
