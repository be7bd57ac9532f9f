import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { descaleClocks } from '../../../src/core/standing/descale-clocks.ts'
import { effective, type Ledgers } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { waterAlong } from '../../../src/core/standing/water/along-path.ts'
import { boilerConcentrate } from '../../../src/core/standing/water/boiler-concentrate.ts'
import { chalkForecast, firstDayAt } from '../../../src/core/standing/water/chalk-forecast.ts'
import { hadItBeenOnTime, lastAcid, machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { entry, everyDay, ledgers, reading, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-01-01'
const to = '2026-01-05'
const test = (level: 'site' | 'supply' | 'softener', on: string, dh: number, quantity = 'total'): Entry =>
  entry(
    'water-test',
    on,
    { point: level === 'softener' ? 'softened' : 'raw', quantity, method: 'figure', unit: 'dH', value: dh },
    { subjectKind: level, subjectId: level },
  )
const pen = (on: string, body: Record<string, unknown>): Entry =>
  entry('water-figures', on, { point: 'raw', by: 'pen', ...body }, { subjectKind: 'site', subjectId: 'site' })
const hard = [
  test('site', from, 19),
  test('site', from, 15, 'carbonate'),
  pen(from, { pH: 7.4, testTempC: 12, conductivityUsCm: 650 }),
]
const machine = (kind: string, perWeek: number, more: Entry[] = []) => [
  takenOn(kind, from),
  ...steadyReadings('2025-01-06', to, perWeek),
  ...more,
]
const own = (softener: Entry[] = []): Entry[] => [
  entry(
    'commissioned',
    from,
    { kind: 'exchanger', kindVersion: 1, partsNew: true },
    { subjectKind: 'softener', subjectId: 'softener' },
  ),
  setting('softener', from, { setting: 'exchanger', resinL: 12 }),
  ...softener,
]
const factsOf = (given: Ledgers) => {
  const facts = machineFacts(effective(given))!
  return { facts, chalk: machineChalk(facts)! }
}
const sr = (site: Entry[] = hard, more: Entry[] = []) =>
  factsOf(ledgers(machine('sr', 180, more), { site: [everyDay, ...site] }))

describe('chalk in a machine', () => {
  it('is the litres times what must fall out at the wall times the share that sticks', () => {
    const { facts, chalk } = sr()
    const [vessel] = chalk.vessels
    const litres = vessel!.stuck.thousandthsPerDrink / vessel!.perLitre.grams.brew! / 0.3
    // Every litre of a flow heater passes it: 141 ml a drink.
    expect(litres).to.be.closeTo(facts.budget.mlPerDrink, 1e-9)
    expect(vessel!.perLitre.atWall!.tempC).to.equal(118)
    expect(vessel!.gramsAt(facts.asOfDay)).to.be.greaterThan(20)
  })

  it('is nothing in a water without carbonate, and less in a softer one', () => {
    const none = sr([test('site', from, 19), test('site', from, 0, 'carbonate')])
    expect(none.chalk.vessels[0]!.gramsAt(none.facts.asOfDay)).to.equal(0)
    expect(none.chalk.vessels[0]!.dayAtLimit(0.5)).to.equal(null)
    const soft = sr([test('site', from, 5), test('site', from, 4, 'carbonate')])
    expect(soft.chalk.vessels[0]!.gramsAt(soft.facts.asOfDay)).to.be.lessThan(sr().chalk.vessels[0]!.gramsAt(toDay(to)))
  })

  it('adds up over any parting of the days, and goes on after the last reading', () => {
    const { facts, chalk } = sr()
    const [vessel] = chalk.vessels
    fc.assert(
      fc.property(fc.nat({ max: 500 }), fc.nat({ max: 500 }), (a, b) => {
        const [first, second] = [toDay(from) + Math.min(a, b), toDay(from) + Math.max(a, b)]
        const parts = vessel!.gramsBetween(toDay(from), first) + vessel!.gramsBetween(first, second)
        expect(parts).to.be.closeTo(vessel!.gramsBetween(toDay(from), second), 1e-9)
      }),
    )
    expect(vessel!.gramsAt(facts.asOfDay + 100)).to.be.greaterThan(vessel!.gramsAt(facts.asOfDay))
  })

  it('starts anew with a descale', () => {
    const done = entry('descaled', '2025-12-01', { task: 'descale', acid: 'citric', grams: 40 })
    const { facts, chalk } = sr(hard, [done])
    expect(chalk.since).to.equal('2025-12-01')
    expect(chalk.vessels[0]!.gramsAt(facts.asOfDay)).to.be.lessThan(sr().chalk.vessels[0]!.gramsAt(toDay(to)) / 5)
    expect(lastAcid(facts)).to.deep.equal({ on: '2025-12-01', acid: 'citric', grams: 40 })
  })

  it('is due sooner the surer it is to grow: the quantiles are in order', () => {
    const { chalk } = sr(hard, [entry('descaled', '2025-12-20', { task: 'descale' })])
    const days = [0.05, 0.1, 0.25, 0.5, 0.75, 0.9].map((chance) => chalk.vessels[0]!.dayAtLimit(chance)!)
    expect(days).to.deep.equal([...days].sort((a, b) => a - b))
    expect(days[5]! - days[0]!).to.be.greaterThan(60)
  })

  it('is one of three clocks, and the narrowest vessel speaks for it', () => {
    const { facts, chalk } = sr()
    expect(descaleClocks(facts, chalk).map(({ clock }) => clock)).to.deep.equal(['thickness', 'months', 'litres'])
    const c2 = factsOf(ledgers(machine('c2', 1200), { site: [everyDay, ...hard] }))
    expect(descaleClocks(c2.facts, c2.chalk).map(({ clock }) => clock)).to.deep.equal(['thickness'])
    expect(c2.chalk.vessels.map(({ vessel }) => vessel.id)).to.deep.equal(['exchanger', 'boiler'])
    const due = standingOf(ledgers(machine('c2', 1200), { site: [everyDay, ...hard] }), 'descale')
    expect(due.name).to.equal('Strip or bench descale')
  })

  it('takes a figure of the machine, the site or the firm before the one from memory, and says which', () => {
    const at = (level: 'machine' | 'site' | 'firm', value: number) =>
      setting(level, '2025-01-02', { setting: 'figure', figure: 'brew-stick', value })
    const standing = standingOf(
      ledgers([...machine('sr', 180), at('machine', 0.2)], {
        site: [everyDay, ...hard, at('site', 0.4)],
        firm: [at('firm', 0.1)],
      }),
      'descale',
    )
    const line = standing.working.lines.find(({ what }) => what === 'Share that sticks in a brew path')!
    expect(line).to.include({ value: 0.2, origin: 'setting', source: 'set for this machine' })
    const limit = standingOf(
      ledgers([
        ...machine('sr', 180),
        setting('machine', '2025-01-02', { setting: 'figure', figure: 'thermoblock.limitMm', value: 0.9 }),
      ]),
      'descale',
    ).uses.find(({ clock }) => clock === 'thickness')!
    expect(limit.limit).to.equal(0.9)
  })
})

describe('what a descale removed', () => {
  const spent = (removedG: number) =>
    entry('descaled', '2025-07-01', { task: 'descale', spent: { hardnessMgL: removedG * 1000, litres: 1 } })
  const reckoned = () => {
    const { chalk } = sr()
    return chalk.vessels[0]!.gramsBetween(toDay(from), toDay('2025-07-01'))
  }

  it('corrects the share that sticks for that machine, the way it points', () => {
    const half = sr(hard, [spent(reckoned() / 2)]).chalk.learned!
    const twice = sr(hard, [spent(reckoned() * 1.5)]).chalk.learned!
    expect(half.value).to.be.within(0.45, 0.75)
    expect(twice.value).to.be.within(1.05, 1.5)
    expect(half.descales[0]).to.include({ on: '2025-07-01' })
    expect(half.descales[0]!.reckonedG).to.be.closeTo(reckoned(), 1e-9)
    // Surer than before: what was from memory is measured now.
    expect(half.below).to.be.lessThan(0.4)
  })

  it('is asked of the ledger only where it was tested', () => {
    expect(sr(hard, [entry('descaled', '2025-07-01', { task: 'descale' })]).chalk.learned).to.equal(null)
  })
})

describe('behind a softener', () => {
  const outlet = (...tests: [string, number][]) => own(tests.map(([on, dh]) => test('softener', on, dh)))
  const regenerated = (on: string) => entry('regenerated', on, {}, { subjectKind: 'softener', subjectId: 'softener' })
  const c2 = (softener: Entry[]) => factsOf(ledgers(machine('c2', 1200), { site: [everyDay, ...hard], softener }))

  it('is what its outlet lets through, and a spent one shows in the chalk until it is regenerated', () => {
    const good = c2(outlet(['2025-02-01', 1], ['2025-06-01', 1], ['2025-12-01', 1]))
    const spent = c2([...outlet(['2025-02-01', 1], ['2025-06-01', 8], ['2025-12-01', 1]), regenerated('2025-07-01')])
    const grams = ({ facts, chalk }: typeof good) => chalk.vessels[0]!.gramsAt(facts.asOfDay)
    expect(grams(spent)).to.be.greaterThan(3 * grams(good))
    // Had the regeneration come in time, it would be as good as the good one.
    const better = hadItBeenOnTime(spent.facts, spent.chalk, spent.chalk.vessels[0]!)
    expect(better.gramsAt(spent.facts.asOfDay)).to.be.closeTo(grams(good), grams(good) * 0.05)
  })

  it('takes a rise with no regeneration between half way', () => {
    const { chalk } = c2(outlet(['2025-03-01', 1], ['2025-09-01', 7]))
    const [first, second, third] = chalk.spans
    expect(first!.water.fed.likely.hardnessMgL / 17.848).to.be.closeTo(4, 1e-9)
    expect(second!.water.fed.likely.hardnessMgL / 17.848).to.be.closeTo(7, 1e-9)
    expect(third).to.equal(undefined)
  })

  it('is drawn along the line: raw, softened, concentrated, at the brew', () => {
    const { facts, chalk } = c2(outlet(['2025-03-01', 2]))
    const kept = boilerConcentrate(facts, chalk)!
    const along = waterAlong(facts.kind, chalk, kept, true)
    expect(along.map(({ id }) => id)).to.deep.equal(['raw', 'fed', 'boiler', 'brew'])
    expect(along[1]!.totalMgL.value / 17.848).to.be.closeTo(2, 1e-9)
    // Sodium exchange leaves carbonate: it is what the boiler concentrates.
    expect(along[1]!.carbonateMgL.value).to.equal(along[0]!.carbonateMgL.value)
    expect(along[2]!.carbonateMgL.value).to.be.greaterThan(along[1]!.carbonateMgL.value)
    expect(waterAlong(facts.kind, chalk, kept, false).map(({ id }) => id)).to.deep.equal(['raw', 'boiler', 'brew'])
  })
})

describe('the year ahead', () => {
  it('bands the likely chalk, resets it at a descale, and adds what an unsoftened stretch brings', () => {
    const { facts, chalk } = sr(hard, [entry('descaled', '2025-12-20', { task: 'descale' })])
    const [vessel] = chalk.vessels
    const start = toDay('2025-12-20')
    const plan = { from: start, to: start + 365, descales: [start + 90] }
    const forecast = chalkForecast(facts, vessel!, start, plan)
    for (const { likely, inner, outer } of forecast) {
      expect(outer[0]).to.be.at.most(inner[0])
      expect(inner[0]).to.be.at.most(likely + 1e-12)
      expect(inner[1]).to.be.at.most(outer[1])
    }
    expect(forecast.find(({ day }) => day === start + 91)!.likely).to.be.lessThan(
      forecast.find(({ day }) => day === start + 90)!.likely / 10,
    )
    const worse = { ...chalk.water.raw.likely, alkalinityMgL: 400, hardnessMgL: 500 }
    const late = chalkForecast(facts, vessel!, start, {
      ...plan,
      descales: [],
      unsoftened: [{ from: start + 40, to: start + 80, water: worse }],
    })
    const plain = chalkForecast(facts, vessel!, start, { ...plan, descales: [] })
    expect(late.at(-1)!.likely).to.be.greaterThan(plain.at(-1)!.likely)
    expect(firstDayAt(late, vessel!.figures.limitMm.value, to)!).to.be.at.most(
      firstDayAt(plain, vessel!.figures.limitMm.value, to)!,
    )
    expect(firstDayAt(plain, 99, to)).to.equal(null)
  })
})

describe('a steam boiler', () => {
  const bar = (mlPerDrink: number, more: Entry[] = []) =>
    ledgers(machine('c2', 1200, more), {
      site: [everyDay, ...hard, pen('2025-01-02', { chlorideMgL: mlPerDrink })],
      softener: own([test('softener', '2025-03-01', 1)]),
    })

  it('wants no flush where enough is drawn hot, and one where its chloride would pass', () => {
    const keys = (given: Ledgers) => {
      const { facts, chalk } = factsOf(given)
      return boilerConcentrate(facts, chalk)!
    }
    expect(keys(bar(20)).everyDays).to.equal(null)
    const salty = keys(bar(70))
    expect(salty.first.name).to.equal('chloride')
    expect(salty.everyDays).to.be.greaterThan(0)
    // Drawing so much hot a day settles it at the limit instead.
    const { boiler, first, hotWaterInstead } = salty
    expect((boiler.steamLPerDay + hotWaterInstead) / hotWaterInstead).to.be.closeTo(first.factor, 1e-9)
  })

  it('is freshened in time, and that is what the date counts from', () => {
    const due = standingOf(bar(70), 'boiler-flush')
    expect(due).to.include({ governing: 'concentrate', caution: 'scald' })
    const after = standingOf(bar(70, [entry('cleaned', '2025-12-30', { task: 'boiler-flush' })]), 'boiler-flush')
    expect(after.since).to.equal('2025-12-30')
    expect(after.due!.p50 > due.due!.p50).to.equal(true)
  })

  it('says that no flush helps where the feed itself is beyond the limit', () => {
    const { facts, chalk } = factsOf(bar(150))
    expect(boilerConcentrate(facts, chalk)).to.include({ everyDays: null })
    expect(boilerConcentrate(facts, chalk)!.first.factor).to.be.lessThan(1)
  })
})

describe('the works’ analyses', () => {
  const zone = (...days: [string, number][]) => ({
    site: [everyDay],
    supply: days.map(([on, dh]) => test('supply', on, dh)),
  })
  it('speak until a test at the tap does, with the season as their bounds', () => {
    const { chalk } = factsOf(
      ledgers(machine('sr', 180), zone(['2025-02-01', 8], ['2025-08-01', 14], ['2025-11-01', 11])),
    )
    expect(chalk.facts.known.raw).to.include({ level: 'supply' })
    expect(chalk.facts.known.raw!.value / 17.848).to.be.closeTo(11, 1e-9)
    expect(chalk.facts.known.raw!.low / 17.848).to.be.closeTo(8, 1e-9)
    expect(chalk.facts.known.raw!.high / 17.848).to.be.closeTo(14, 1e-9)
    expect(chalk.facts.known.raw!.said).to.include('3 analyses over the year')
    const tested = factsOf(
      ledgers(machine('sr', 180), { ...zone(['2025-11-01', 11]), site: [everyDay, test('site', '2025-05-01', 16)] }),
    )
    expect(tested.chalk.facts.known.raw).to.include({ level: 'site' })
  })

  it('forget a year that is past', () => {
    const { chalk } = factsOf(
      ledgers([takenOn('sr', from), reading('2025-02-01', 10)], zone(['2024-01-01', 20], ['2025-11-01', 11])),
    )
    expect(chalk.facts.known.raw!.high / 17.848).to.be.closeTo(11, 1e-9)
  })
})
