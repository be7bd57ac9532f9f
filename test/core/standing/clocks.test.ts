import { expect } from 'chai'
import { kindById } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { monthsBetween, toDay } from '../../../src/core/quantity/local-day.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineKind } from '../../../src/core/standing/machine-kind.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entry, everyDay, ledgers, setting, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-01-06'
const year = (kind: string, aWeek: number, more: Entry[] = [], around = {}) =>
  ledgers([takenOn(kind, from), ...steadyReadings(from, '2026-01-05', aWeek), ...more], around)
const standing = (given: ReturnType<typeof year>, key: string) => {
  const found = reckonMachine(given)!.standings.find((one) => one.key === key)
  if (!found) throw new Error(`no standing ${key}`)
  return found
}
const use = (given: ReturnType<typeof year>, key: string, clock: string) =>
  standing(given, key).uses.find((one) => one.clock === clock)

describe('clocks that nobody reads', () => {
  it('go along with drinks and open days', () => {
    // 1,260 shots a week: 180 a day, × 0.9 openings, over two sides.
    const openings = use(year('c2', 1260), 'steam-valve-seat@1', 'openings')!
    expect(openings.limit).to.equal(30_000)
    expect(openings.perDay).to.be.closeTo(81, 2)
    expect(openings.used).to.be.closeTo(364 * 81, 364 * 2)
    // One heat-up an open day, whatever is drunk.
    expect(use(year('c2', 7), 'vacuum-breaker', 'heatUps')!.used).to.be.closeTo(364, 1)
    expect(use(year('sr', 175), 'burrs', 'kilograms')!.used).to.be.closeTo(364 * 25 * 0.0105, 3)
  })

  it('are counted as somebody said, at the nearest level, and the working names it', () => {
    const own = setting('machine', '2025-06-01', {
      setting: 'along-count',
      clock: 'openings',
      perDrink: 3,
      perOpenDay: 10,
    })
    const given = year('c2', 1260, [own])
    expect(use(given, 'steam-valve-seat@1', 'openings')!.perDay).to.be.closeTo((180 * 3 + 10) / 2, 8)
    const line = standing(given, 'steam-valve-seat@1').working.lines.find(({ what }) => what === 'Openings')!
    expect(line).to.include({ origin: 'setting', source: 'set for this machine' })
    const usual = standing(year('c2', 1260), 'steam-valve-seat@1').working.lines.find(
      ({ what }) => what === 'Openings',
    )!
    expect(usual).to.include({ origin: 'default', mark: 'M' })
  })

  it('count a grinder by its kilograms', () => {
    const given = year('gr', 17.5)
    expect(use(given, 'chute-flap', 'shots')).to.include({ unit: 'kg', limit: 300 })
    expect(use(given, 'start-switch', 'starts')!.perDay).to.be.closeTo(2.5 * 55, 5)
    expect(reckonMachine(given)!.litresPerOpenDay).to.equal(0)
  })
})

describe('detergent', () => {
  it('ages a gasket as often as it is used: said for the machine, else by the routine', () => {
    const key = 'group-gasket@1'
    expect(use(year('c2', 1260), key, 'detergentCycles')!.used).to.be.closeTo(364, 1)
    const weekly = setting('machine', from, { setting: 'detergent', perOpenDay: 1 / 7 })
    expect(use(year('c2', 1260, [weekly]), key, 'detergentCycles')!.used).to.be.closeTo(52, 1)
    const byShots = setting('machine', from, { setting: 'detergent', everyDrinks: 630 })
    expect(use(year('c2', 1260, [byShots]), key, 'detergentCycles')!.used).to.be.closeTo(104, 3)
    const never = setting('machine', from, { setting: 'detergent', perOpenDay: 0 })
    expect(use(year('c2', 1260, [never]), key, 'detergentCycles')).to.equal(undefined)
  })

  it('brings the grease of a lever group forward, way by way', () => {
    const often = year('lv', 70, [setting('machine', from, { setting: 'detergent', everyDrinks: 10 })])
    const seldom = year('lv', 70, [setting('machine', from, { setting: 'detergent', everyDrinks: 200 })])
    expect(standing(often, 'cam-grease').governing).to.equal('detergentCycles')
    expect(standing(seldom, 'cam-grease').governing).to.equal('months')
    expect(standing(often, 'cam-grease').due!.p50 < standing(seldom, 'cam-grease').due!.p50).to.equal(true)
  })
})

describe('hot hours', () => {
  const hot = (perOpenDay: number, perClosedDay = perOpenDay) =>
    setting('machine', from, { setting: 'hot-hours', perOpenDay, perClosedDay })
  const silent = (more: Entry[]) => year('c2', 7, more)

  it('age rubber where they are known: day and night halves its months', () => {
    const key = 'wand-pivot-ring@1'
    const by = (more: Entry[]) => toDay(standing(silent(more), key).due!.p50) - toDay(from)
    expect(by([hot(12)])).to.be.closeTo(12 * 30, 1)
    expect(by([hot(24)])).to.be.closeTo(6 * 30, 1)
    // Hot on open days only, at a site shut on Sundays.
    const shut = ledgers([takenOn('c2', from), ...steadyReadings(from, '2026-01-05', 7), hot(12, 0)], {
      site: [setting('site', from, { setting: 'opening', openWeekdays: [1, 2, 3, 4, 5, 6] })],
    })
    const stretched = toDay(standing(shut, key).due!.p50) - toDay(from)
    expect(stretched).to.be.closeTo((12 * 30 * 7) / 6, 4)
  })

  it('leave what is not rubber to the calendar', () => {
    expect(use(silent([hot(24)]), 'control-board', 'months')!.unit).to.equal('months')
    expect(use(silent([hot(24)]), 'control-board', 'months')!.used).to.be.closeTo(
      monthsBetween(toDay(from), toDay('2026-01-05')),
      0.1,
    )
    expect(use(silent([hot(24)]), 'wand-pivot-ring@1', 'months')!.unit).to.equal('months hot')
  })
})

describe('ways', () => {
  it('can be chosen for one part, and the nearest level wins', () => {
    const cautious = setting('firm', from, { setting: 'policy', policy: 'cautious', task: 'control-board' })
    const given = year('c2', 7, [], { firm: [cautious], site: [everyDay] })
    expect(use(given, 'control-board', 'months')!.limit).to.equal(60)
    expect(use(given, 'contactor', 'months')!.limit).to.equal(72)
    const long = setting('customer', from, { setting: 'policy', policy: 'longLife' })
    const both = year('c2', 7, [], { firm: [cautious], customer: [long], site: [everyDay] })
    // For the part somebody chose a way of its own: it stands before one for all.
    expect(use(both, 'control-board', 'months')!.limit).to.equal(60)
    expect(use(both, 'contactor', 'months')!.limit).to.equal(120)
  })
})

describe('what guards against pressure', () => {
  it('never goes past its last figure, whatever anybody set or saw', () => {
    const life = setting('machine', from, { setting: 'life', task: 'safety-valve', clock: 'months', value: 90 })
    expect(use(year('c2', 7, [life]), 'safety-valve', 'months')!.limit).to.equal(24)
    const fine = entry('inspected', '2025-12-20', { part: 'safety-valve', condition: 0 })
    const plain = standing(year('c2', 7), 'safety-valve').due!.p50
    expect(standing(year('c2', 7, [fine]), 'safety-valve').due!.p50 <= plain).to.equal(true)
  })
})

describe('a part that was looked at', () => {
  const looked = (condition: number, on = '2025-12-20') =>
    year('c2', 7, [entry('inspected', on, { part: 'drain-hose', condition })])

  it('moves its window by what was seen, and the working says how', () => {
    const plain = standing(year('c2', 7), 'drain-hose')
    const [good, bad] = [standing(looked(0), 'drain-hose'), standing(looked(3), 'drain-hose')]
    expect(bad.due!.p50 < plain.due!.p50).to.equal(true)
    expect(bad.due!.p50 < good.due!.p50).to.equal(true)
    expect(bad.due!.p10 < bad.due!.p50 && bad.due!.p50 < bad.due!.p90).to.equal(true)
    const lines = bad.working.lines.map(({ what }) => what)
    expect(lines).to.include.members(['Seen 2025-12-20', 'Of the usual life used by then', 'This one lasts'])
    // Used against what this one lasts, so that the tube fills as it should.
    expect(bad.uses[0]!.limit).to.be.below(plain.uses[0]!.limit)
  })

  it('is due the day it was seen failed, neither before nor after, and says so', () => {
    for (const on of ['2025-11-02', '2025-12-20']) {
      const failed = standing(looked(4, on), 'drain-hose')
      expect(failed.due).to.deep.equal({ p10: on, p50: on, p90: on })
      expect(failed.working.lines.map(({ what }) => what)).to.not.include('This one lasts')
      expect(failed.governing).to.equal(failed.uses[0]!.clock)
    }
  })

  it('stays as it was where it was seen the day it was fitted', () => {
    const fitted = entry('fitted', '2025-12-20', { part: 'drain-hose' })
    const seen = entry('inspected', '2025-12-20', { part: 'drain-hose', condition: 0 })
    expect(standing(year('c2', 7, [fitted, seen]), 'drain-hose').due!).to.deep.equal(
      standing(year('c2', 7, [fitted]), 'drain-hose').due!,
    )
  })

  it('is not asked of what is cleaned', () => {
    expect(standing(looked(3), 'drain-hose-clean').due).to.deep.equal(standing(year('c2', 7), 'drain-hose-clean').due)
  })
})

describe('a revision', () => {
  it('changes what a machine has, by what was said of it', () => {
    const said = (fitted: boolean) => setting('machine', from, { setting: 'option', option: 'three-way', fitted })
    const kindOf = (more: Entry[]) => machineKind(effective(year('dv', 21, more)))!
    expect(kindOf([]).tasks.some(({ id }) => id === 'three-way-valve')).to.equal(true)
    expect(kindOf([said(false)]).tasks.some(({ id }) => id === 'three-way-valve')).to.equal(false)
    expect(kindOf([said(false), said(true)]).tasks.length).to.equal(kindOf([]).tasks.length)
    expect(reckonMachine(year('dv', 21, [said(false)]))!.standings.map(({ key }) => key)).to.include('brew-valve')
    expect(kindById('dv')!.stations.length).to.be.above(kindOf([]).stations.length)
  })
})
