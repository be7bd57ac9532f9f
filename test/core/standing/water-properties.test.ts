import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { boilerConcentrate } from '../../../src/core/standing/water/boiler-concentrate.ts'
import { vesselWorking } from '../../../src/core/standing/water/chalk-lines.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { takeFigure } from '../../../src/core/standing/water/set-figure.ts'
import { type FigureId, figures } from '../../../src/core/trade/figures.ts'
import { entry, everyDay, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-01-01'
const about = { subjectKind: 'site', subjectId: 'site' } as const

interface Tap {
  totalDh: number
  carbonateShare: number
  pH: number
  usCm: number
}
/** Waters a technician can meet. */
const tap: fc.Arbitrary<Tap> = fc.record({
  totalDh: fc.double({ min: 0, max: 45, noNaN: true }),
  carbonateShare: fc.double({ min: 0, max: 1.2, noNaN: true }),
  pH: fc.double({ min: 5.5, max: 9, noNaN: true }),
  usCm: fc.double({ min: 5, max: 2500, noNaN: true }),
})
const tests = ({ totalDh, carbonateShare, pH, usCm }: Tap): Entry[] => [
  entry('water-test', from, { point: 'raw', quantity: 'total', method: 'figure', unit: 'dH', value: totalDh }, about),
  entry(
    'water-test',
    from,
    { point: 'raw', quantity: 'carbonate', method: 'figure', unit: 'dH', value: totalDh * carbonateShare },
    about,
  ),
  entry('water-figures', from, { point: 'raw', by: 'pen', pH, conductivityUsCm: usCm, testTempC: 12 }, about),
]
const kind = fc.constantFrom('c2', 'sr', 'pk')
const machineIn = (kindId: string, water: Tap, more: Entry[] = []) =>
  ledgers([takenOn(kindId, from), ...steadyReadings('2025-01-06', '2025-12-29', 250), ...more], {
    site: [everyDay, ...tests(water)],
  })
const chalkIn = (kindId: string, water: Tap, more: Entry[] = []) => {
  const facts = machineFacts(effective(machineIn(kindId, water, more)))!
  return { facts, chalk: machineChalk(facts)! }
}

describe('a machine in any water', () => {
  it('is reckoned without a figure that is none, and lays down no less than nothing', () => {
    fc.assert(
      fc.property(kind, tap, (kindId, water) => {
        expect(JSON.stringify(reckonMachine(machineIn(kindId, water)))).not.to.match(/NaN|Infinity/)
        const { facts, chalk } = chalkIn(kindId, water)
        for (const vessel of chalk.vessels) {
          const grams = vessel.gramsAt(facts.asOfDay)
          expect(grams).to.be.at.least(0)
          expect(vessel.gramsAt(facts.asOfDay + 30)).to.be.at.least(grams)
          // Never more than all the hardness of all the water that passed.
          const litres = 365 * 60
          expect(grams).to.be.at.most((litres * water.totalDh * 17.848) / 1000 + 1e-9)
        }
        const kept = boilerConcentrate(facts, chalk)
        if (kept) expect(kept.factorNow).to.be.at.least(1 - 1e-9)
      }),
      { numRuns: 150 },
    )
  })

  it('collects no less chalk where there is more of both hardnesses', () => {
    fc.assert(
      fc.property(kind, tap, fc.double({ min: 1.05, max: 2, noNaN: true }), (kindId, water, times) => {
        const here = chalkIn(kindId, water)
        const there = chalkIn(kindId, { ...water, totalDh: water.totalDh * times })
        here.chalk.vessels.forEach((vessel, i) => {
          const [a, b] = [vessel.gramsAt(here.facts.asOfDay), there.chalk.vessels[i]!.gramsAt(there.facts.asOfDay)]
          expect(b).to.be.at.least(a - 1e-6)
        })
      }),
      { numRuns: 100 },
    )
  })

  it('is due no later the thinner its limit', () => {
    fc.assert(
      fc.property(tap, fc.double({ min: 0.05, max: 0.25, noNaN: true }), (water, limitMm) => {
        const thin = setting('machine', from, { setting: 'figure', figure: 'thermoblock.limitMm', value: limitMm })
        const day = (more: Entry[]) =>
          chalkIn('sr', water, more).chalk.vessels[0]!.dayAtLimit(0.5) ?? Number.POSITIVE_INFINITY
        expect(day([thin])).to.be.at.most(day([]))
      }),
      { numRuns: 100 },
    )
  })

  it('keeps its quantiles in order, whatever the water', () => {
    fc.assert(
      fc.property(kind, tap, (kindId, water) => {
        for (const vessel of chalkIn(kindId, water).chalk.vessels) {
          const days = [0.1, 0.5, 0.9].map((chance) => vessel.dayAtLimit(chance) ?? Number.POSITIVE_INFINITY)
          expect(days[0]).to.be.at.most(days[1]!)
          expect(days[1]).to.be.at.most(days[2]!)
        }
      }),
      { numRuns: 100 },
    )
  })

  it('loses nothing between two readings of the working and of the standing', () => {
    const { facts, chalk } = chalkIn('sr', { totalDh: 19, carbonateShare: 0.79, pH: 7.4, usCm: 640 })
    const [vessel] = chalk.vessels
    const working = vesselWorking(facts, chalk, vessel!, facts.asOfDay)
    const thickness = working.lines.find(({ what }) => what === 'Thickness')!.value
    const use = reckonMachine(machineIn('sr', { totalDh: 19, carbonateShare: 0.79, pH: 7.4, usCm: 640 }))!
      .standings.find(({ key }) => key === 'descale')!
      .uses.find(({ clock }) => clock === 'thickness')!
    expect(thickness).to.be.closeTo(use.used, 1e-12)
  })
})

describe('every figure from memory', () => {
  it('gives way to the nearest level that set its own', () => {
    for (const id of Object.keys(figures) as FigureId[]) {
      const { least, most } = figures[id]
      const set = (level: 'firm' | 'customer' | 'site' | 'machine', share: number) =>
        setting(level, from, { setting: 'figure', figure: id, value: least + (most - least) * share })
      const at = (...levels: ('firm' | 'customer' | 'site' | 'machine')[]) =>
        takeFigure(effective(Object.fromEntries(levels.map((level, i) => [level, [set(level, (i + 1) / 10)]]))), id)
      expect(at()).to.include({ level: 'catalogue', value: figures[id].value })
      expect(at().line().mark, id).to.be.oneOf(['M', 'T'])
      expect(at('firm')).to.include({ level: 'firm', below: 0, above: 0 })
      expect(at('firm', 'customer').level).to.equal('customer')
      expect(at('firm', 'customer', 'site').level).to.equal('site')
      const nearest = at('firm', 'customer', 'site', 'machine')
      expect(nearest.level).to.equal('machine')
      expect(nearest.value).to.be.closeTo(least + (most - least) * 0.4, 1e-9)
      expect(nearest.line()).to.include({ origin: 'setting', source: 'set for this machine' })
      expect(nearest.line()).not.to.have.property('mark')
      expect(nearest.line().adjust).to.deep.include({ setting: 'figure', position: id })
    }
  })

  it('that the way decides, moves a softener’s dates once it is set', () => {
    const softener = (kindId: string, more: Entry[]) => [
      entry(
        'commissioned',
        from,
        { kind: kindId, kindVersion: 1, partsNew: true },
        { subjectKind: 'softener', subjectId: 'softener' },
      ),
      setting(
        'softener',
        from,
        kindId === 'cartridge'
          ? { setting: 'cartridge', capacityG: 5000, bypass: 0.3 }
          : { setting: 'exchanger', resinL: 12 },
      ),
      ...more,
    ]
    const due = (kindId: string, key: string, more: Entry[] = []) =>
      reckonSoftener({ softener: softener(kindId, more), site: [everyDay] }, [])!.standings.find(
        (one) => one.key === key,
      )!
    const own = (figure: FigureId, value: number) => setting('softener', from, { setting: 'figure', figure, value })
    expect(toDay(due('exchanger', 'regenerate').due!.p50) - toDay(from)).to.equal(14)
    expect(toDay(due('exchanger', 'regenerate', [own('regenerate-days', 9)]).due!.p50) - toDay(from)).to.equal(9)
    expect(due('exchanger', 'outlet-test', [own('outlet-test-months', 2)]).due!.p50).to.equal('2025-03-01')
    expect(due('cartridge', 'change-cartridge', [own('cartridge-months', 6)]).due!.p50).to.equal('2025-07-01')
    const line = due('exchanger', 'regenerate', [own('regenerate-days', 9)]).working.lines.find(({ what }) =>
      what.startsWith('Hygiene'),
    )!
    expect(line).to.include({ value: 9, source: 'set for this softener' })
  })
})
