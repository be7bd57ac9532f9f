import { expect } from 'chai'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import type { Ledgers } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { entry, everyDay, ledgers, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const test = (level: 'site' | 'supply' | 'softener', on: string, body: Record<string, unknown>): Entry =>
  entry(
    'water-test',
    on,
    {
      point: level === 'softener' ? 'softened' : 'raw',
      quantity: 'total',
      method: 'drops',
      unit: 'dH',
      perDrop: 1,
      ...body,
    },
    { subjectKind: level, subjectId: level },
  )

const sr = [
  takenOn('sr', '2026-01-05'),
  ...steadyReadings('2026-01-05', '2026-06-01', 70),
  entry('descaled', '2026-06-01', { task: 'descale' }),
]

describe('descaling', () => {
  const descale = (site: Entry[], machine = sr, more: Partial<Ledgers> = {}) =>
    standingOf(ledgers(machine, { site: [everyDay, ...site], ...more }), 'descale')
  const litres = (site: Entry[], more: Partial<Ledgers> = {}) =>
    descale(site, sr, more).uses.find((use) => use.clock === 'litres')!.limit

  // Common practice and from memory: litres by carbonate hardness, usual way.
  for (const [drops, limit] of [
    [7, 100],
    [8, 50],
    [14, 50],
    [15, 25],
    [21, 25],
    [22, 15],
  ] as const) {
    it(`comes every ${limit} L at ${drops} °dH carbonate hardness`, () => {
      expect(litres([test('site', '2026-05-01', { quantity: 'carbonate', drops })])).to.equal(limit)
    })
  }

  it('takes the usual share of the total where carbonate hardness was not tested, and says so', () => {
    const standing = descale([test('site', '2026-05-01', { drops: 19 })])
    // 19 × 0.8 = 15.2 °dH.
    expect(standing.uses.find((use) => use.clock === 'litres')!.limit).to.equal(25)
    expect(standing.working.lines.some((line) => line.source?.includes('the usual share, from memory'))).to.equal(true)
  })

  it('believes the test at the tap before the zone’s analysis, however old', () => {
    const zone = { supply: [test('supply', '2026-05-20', { quantity: 'carbonate', method: 'figure', value: 3 })] }
    expect(litres([], zone)).to.equal(100)
    expect(litres([test('site', '2025-05-01', { quantity: 'carbonate', drops: 15 })], zone)).to.equal(25)
  })

  it('carries a strip’s zone through to the day: a wide zone, a wide window', () => {
    const width = ({ due }: { due?: { p10: string; p90: string } }) => toDay(due!.p90) - toDay(due!.p10)
    const strip = descale([test('site', '2026-05-01', { quantity: 'carbonate', method: 'strip', low: 6, high: 16 })])
    const drops = descale([test('site', '2026-05-01', { quantity: 'carbonate', drops: 11 })])
    expect(width(strip)).to.be.above(3 * width(drops))
    expect(strip.due!.p10 < drops.due!.p10).to.equal(true)
    expect(strip.due!.p90 > drops.due!.p90).to.equal(true)
  })

  it('comes by the calendar where little is drunk', () => {
    const idle = [takenOn('sr', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 1)]
    const standing = descale([test('site', '2026-05-01', { quantity: 'carbonate', drops: 3 })], idle)
    expect(standing.governing).to.equal('months')
    expect(standing.due!.p50).to.equal('2026-04-05')
  })

  it('comes when the machine asks, and again only when it asks anew', () => {
    const soft = [test('site', '2026-05-01', { quantity: 'carbonate', drops: 3 })]
    const asked = descale(soft, [...sr, entry('prompt-seen', '2026-06-03', { task: 'descale' })])
    expect(asked).to.deep.include({
      governing: 'prompt',
      due: { p10: '2026-06-03', p50: '2026-06-03', p90: '2026-06-03' },
    })
    const done = descale(soft, [
      ...sr,
      entry('prompt-seen', '2026-06-03', { task: 'descale' }),
      entry('descaled', '2026-06-04', { task: 'descale' }),
    ])
    expect(done.governing).not.to.equal('prompt')
  })

  it('reckons the machine’s own litre prompt in place of the table', () => {
    const soft = [test('site', '2026-05-01', { quantity: 'carbonate', drops: 3 })]
    const prompt = setting('machine', '2026-01-06', { setting: 'descale-prompt', litres: 20 })
    expect(descale(soft, [...sr, prompt]).governing).to.equal('prompt')
    expect(descale(soft, [...sr, prompt]).uses.map((use) => use.clock)).to.deep.equal(['thickness', 'prompt', 'months'])
  })

  it('is planned for the bench on a large boiler, by its chalk alone', () => {
    const standing = standingOf(ledgers([takenOn('c2', '2026-01-05')]), 'descale')
    expect(standing.name).to.equal('Strip or bench descale')
    expect(standing.uses.map((use) => use.clock)).to.deep.equal(['thickness'])
  })
})

describe('litres from shots', () => {
  const litresADay = (machine: Entry[]) => reckonMachine(ledgers(machine))!.litresPerOpenDay!

  it('add up the budget of the kind: drinks, what goes besides, and the rinses of a day', () => {
    // From memory: 0.3 × 59 + 0.55 × 140 + 0.15 × 247 + 9.5 ml a drink, 0.2 L a day; 10 drinks a day.
    expect(litresADay(sr)).to.be.closeTo(10 * 0.14125 + 0.2, 0.05)
  })

  it('take the machine’s own budget where one is set', () => {
    const own = setting('machine', '2026-02-01', { setting: 'budget', mlPerDrink: 200, litresPerOpenDay: 1 })
    expect(litresADay([...sr, own])).to.be.closeTo(3, 0.05)
  })

  it('are corrected by a water meter: least squares over its intervals', () => {
    const truth = 1.5
    const metered = steadyReadings('2026-01-05', '2026-06-01', 0).map((read, i) =>
      entry('reading', read.happenedOn, { counter: 'litres', count: Math.round(i * 7 * (10 * 0.14125 + 0.2) * truth) }),
    )
    const standing = standingOf(ledgers([...sr, ...metered]), 'tank-filter')
    expect(litresADay([...sr, ...metered])).to.be.closeTo((10 * 0.14125 + 0.2) * truth, 0.06)
    expect(standing.working.lines.some((line) => /^meter, \d+ intervals$/.test(line.source ?? ''))).to.equal(true)
  })

  it('give a group its own brew water only', () => {
    const c2 = ledgers([takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 1400)])
    const used = (key: string) => standingOf(c2, key).uses.find((use) => use.clock === 'litres')!.used
    expect(used('flow-meter@1') + used('flow-meter@2')).to.be.below(used('pump-head'))
    expect(used('flow-meter@1') / used('flow-meter@2')).to.be.closeTo(0.55 / 0.45, 1e-6)
  })
})

describe('softener', () => {
  const machine = ledgers([takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 1400)])
  const own = (more: Entry[] = []): Entry[] => [
    entry(
      'commissioned',
      '2026-01-05',
      { kind: 'exchanger', kindVersion: 1, partsNew: true },
      { subjectKind: 'softener', subjectId: 'softener' },
    ),
    setting('softener', '2026-01-05', { setting: 'exchanger', resinL: 12 }),
    entry('regenerated', '2026-05-30', { saltKg: 1.5 }, { subjectKind: 'softener', subjectId: 'softener' }),
    ...more,
  ]
  const hard = test('site', '2026-05-01', { drops: 19 })
  const reckon = (softener: Entry[], site: Entry[] = [everyDay, hard], fed = [machine]) =>
    reckonSoftener({ softener, site }, fed)!
  const regenerate = (...given: Parameters<typeof reckon>) =>
    reckon(...given).standings.find((standing) => standing.key === 'regenerate')!

  it('gives what its resin holds at this water, as a range', () => {
    const litres = regenerate(own()).uses.find((use) => use.clock === 'litres')!
    // 12 L × 35 g × 0.85 ÷ (339.1 − 17.8) mg/L.
    expect(litres.limit).to.be.closeTo(1111, 2)
    const line = regenerate(own()).working.lines.find(({ what }) => what === 'Gives')!
    // A capacity from memory is off by a quarter either way; eight times in ten by a third.
    expect(line.spread).to.be.within(350, 480)
  })

  it('is regenerated for hygiene at the latest, a fortnight in the usual way', () => {
    const standing = regenerate(own(), [everyDay, test('site', '2026-05-01', { drops: 3 })])
    expect(standing).to.deep.include({
      governing: 'hygiene',
      due: { p10: '2026-06-13', p50: '2026-06-13', p90: '2026-06-13' },
    })
  })

  it('lasts less long for two machines than for one', () => {
    const busy = ledgers([takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 4200)])
    const two = regenerate(own(), [everyDay, hard], [busy, busy])
    expect(two.governing).to.equal('litres')
    expect(two.due!.p50 < '2026-06-13').to.equal(true)
    expect(two.due!.p10 < two.due!.p90).to.equal(true)
  })

  it('counts by its own meter where it has one', () => {
    const meter = ['2026-05-01', '2026-05-15', '2026-05-30'].map((on, i) =>
      entry('reading', on, { counter: 'litres', count: 1000 * i }, { subjectKind: 'softener', subjectId: 'softener' }),
    )
    expect(reckon(own(meter)).litresPerOpenDay).to.be.closeTo(1000 / 14.5, 3)
  })

  it('asks for its water where nobody tested it, instead of guessing', () => {
    const standing = regenerate(own(), [everyDay])
    expect(standing.uses.map((use) => use.clock)).to.deep.equal(['hygiene'])
    expect(standing.working.lines.some((line) => line.value === 'not tested')).to.equal(true)
  })

  it('is tested after at every visit, monthly at least', () => {
    const outlet = (extra: Entry[]) => reckon(own(extra)).standings.find((standing) => standing.key === 'outlet-test')!
    expect(outlet([]).due!.p50).to.equal('2026-02-05')
    expect(outlet([test('softener', '2026-05-20', { drops: 1 })]).due!.p50).to.equal('2026-06-20')
  })

  it('as a cartridge lasts by its grams and its bypass, twelve months at most', () => {
    const cartridge = [
      entry(
        'commissioned',
        '2026-01-05',
        { kind: 'cartridge', kindVersion: 1, partsNew: true },
        { subjectKind: 'softener', subjectId: 'softener' },
      ),
      setting('softener', '2026-01-05', { setting: 'cartridge', capacityG: 500, bypass: 0.3 }),
    ]
    const carbonate = test('site', '2026-05-01', { quantity: 'carbonate', method: 'figure', value: 10 })
    const standing = reckon(cartridge, [everyDay, carbonate]).standings[0]!
    // Common practice: nominal 4,000 L at 10 °dH carbonate and 30 % bypass.
    expect(standing.uses.find((use) => use.clock === 'litres')!.limit).to.be.closeTo(4000, 5)
    expect(standing.uses.find((use) => use.clock === 'months')!.limit).to.equal(12)
    expect(
      reckon(
        [
          ...cartridge,
          entry('cartridge-changed', '2026-05-20', {}, { subjectKind: 'softener', subjectId: 'softener' }),
        ],
        [everyDay, carbonate],
      ).standings[0]!.since,
    ).to.equal('2026-05-20')
  })
})
