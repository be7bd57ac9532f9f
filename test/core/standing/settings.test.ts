import { expect } from 'chai'
import {
  effective,
  latestDay,
  nearestSetting,
  ofKind,
  ownLife,
  settingsOf,
  touching,
} from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { siteOpening } from '../../../src/core/standing/site-opening.ts'
import { entry, everyDay, ledgers, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const busy = [takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 1400)]
const gasket = 'group-gasket'
const life = (level: Parameters<typeof setting>[0], on: string, value: number, clock = 'shots') =>
  setting(level, on, { setting: 'life', task: gasket, clock, value })

describe('what is set, and where', () => {
  it('a life in litres of something that no water runs through is no number of days, and never ends', () => {
    const own = { setting: 'life', task: 'burrs', clock: 'litres', value: 1 }
    const burrs = standingOf(ledgers([takenOn('gr', '2026-01-05'), setting('machine', '2026-02-01', own)]), 'burrs')
    const line = burrs.working.lines.find(({ what }) => what === 'Left by litres')!
    expect(line).to.include({ value: 'never: nothing runs' })
    expect(line).not.to.have.property('unit')
    expect(burrs.governing).not.to.equal('litres')
  })

  it('is the nearest level’s, whatever day it was set on', () => {
    const found = (more: Parameters<typeof ledgers>[1]) =>
      nearestSetting(effective(ledgers(busy, more)), 'policy')?.body.policy
    const policy = (level: Parameters<typeof setting>[0], name: string, on = '2026-02-01') =>
      setting(level, on, { setting: 'policy', policy: name })
    expect(found({})).to.equal(undefined)
    expect(found({ firm: [policy('firm', 'longLife')] })).to.equal('longLife')
    expect(found({ firm: [policy('firm', 'longLife')], customer: [policy('customer', 'usual')] })).to.equal('usual')
    expect(
      found({
        firm: [policy('firm', 'longLife', '2026-05-01')],
        site: [everyDay, policy('site', 'cautious', '2026-01-10')],
      }),
    ).to.equal('cautious')
  })

  it('is the latest where one level said it twice', () => {
    const histories = effective(
      ledgers([...busy, life('machine', '2026-04-01', 9000), life('machine', '2026-02-01', 7000)]),
    )
    expect(ownLife(histories, 'c2', gasket, 'shots')).to.deep.include({ level: 'machine', on: '2026-04-01' })
    expect(ownLife(histories, 'c2', gasket, 'shots')!.body.value).to.equal(9000)
    expect(ownLife(histories, 'c2', gasket, 'months')).to.equal(null)
    expect(ownLife(histories, 'c2', 'basket', 'shots')).to.equal(null)
  })

  it('moves the date it is about, names its level in the working, and leaves the others', () => {
    const before = standingOf(ledgers(busy), `${gasket}@1`)
    const after = standingOf(ledgers(busy, { firm: [life('firm', '2026-03-01', 8000)] }), `${gasket}@1`)
    expect(after.due!.p50 < before.due!.p50).to.equal(true)
    const line = after.working.lines.find(({ what }) => what === 'Life')!
    expect(line).to.include({ value: 8000, origin: 'setting', source: 'set for this firm, 2026-03-01' })
    expect(line).not.to.have.property('mark', 'M')
    expect(standingOf(ledgers(busy, { firm: [life('firm', '2026-03-01', 8000)] }), 'basket@1').due).to.deep.equal(
      standingOf(ledgers(busy), 'basket@1').due,
    )
  })

  it('adds a clock the catalogue does not have', () => {
    const uses = (more: Parameters<typeof ledgers>[1]) =>
      standingOf(ledgers(busy, more), 'steam-tip@1').uses.map(({ clock }) => clock)
    const own = setting('firm', '2026-03-01', { setting: 'life', task: 'steam-tip', clock: 'shots', value: 30_000 })
    expect(uses({})).not.to.include('shots')
    expect(uses({ firm: [own] })).to.include('shots')
  })

  it('gives each group its share, and only where as many are named as there are', () => {
    const shares = (...of: number[]) => setting('machine', '2026-02-01', { setting: 'group-share', shares: of })
    const used = (group: number, ...more: Parameters<typeof ledgers>[0]) =>
      standingOf(ledgers([...busy, ...more]), `${gasket}@${group}`).uses.find(({ clock }) => clock === 'shots')!.used
    expect(used(1, shares(0.8, 0.2)) / used(2, shares(0.8, 0.2))).to.be.closeTo(4, 1e-9)
    expect(used(1, shares(0.5, 0.3, 0.2))).to.equal(used(1))
    expect(used(1) + used(2)).to.be.closeTo(used(1, shares(0.8, 0.2)) + used(2, shares(0.8, 0.2)), 1e-6)
  })

  it('sets how many groups a machine has, and so what there is to look after', () => {
    const keys = (count: number) =>
      reckonMachine(ledgers([...busy, setting('machine', '2026-01-05', { setting: 'groups', count })]))!
        .standings.map(({ key }) => key)
        .filter((key) => key.startsWith(gasket))
    expect(keys(1)).to.deep.equal([gasket])
    expect(keys(3)).to.deep.equal([`${gasket}@1`, `${gasket}@2`, `${gasket}@3`])
    expect(keys(4)).to.have.length(4)
  })

  it('replaces the water a drink takes', () => {
    const facts = (...more: Parameters<typeof ledgers>[0]) => machineFacts(effective(ledgers([...busy, ...more])))!
    expect(facts().budget.from).to.equal('catalogue')
    const own = facts(
      setting('machine', '2026-02-01', { setting: 'budget', mlPerDrink: 90, litresPerOpenDay: 3 }),
    ).budget
    expect(own).to.deep.include({ from: 'set', mlPerDrink: 90, litresPerOpenDay: 3, factor: 1 })
  })
})

describe('when a machine is used', () => {
  const opening = (...site: ReturnType<typeof setting>[]) => siteOpening(effective(ledgers(busy, { site })))
  it('is Monday to Saturday until a place says otherwise', () => {
    expect(opening()).to.deep.include({ weekdaysFrom: 'catalogue', shareOpen: 6 / 7 })
    const weekdays = setting('site', '2026-01-01', { setting: 'opening', openWeekdays: [1, 2, 3] })
    expect(opening(weekdays)).to.deep.include({ weekdaysFrom: 'site', shareOpen: 3 / 7 })
  })

  it('is not while the place is closed or the machine stands', () => {
    const closure = setting('site', '2026-01-01', { setting: 'closure', from: '2026-03-02', to: '2026-03-08' })
    const stood = [
      ...busy,
      entry('stage', '2026-04-06', { stage: 'still' }),
      entry('stage', '2026-04-20', { stage: 'working' }),
    ]
    const { opening: found } = siteOpening(effective(ledgers(stood, { site: [everyDay, closure] })))
    expect(found.closures.map(({ from, to }) => [from, to])).to.deep.equal([
      ['2026-03-02', '2026-03-08'],
      ['2026-04-06', '2026-04-19'],
    ])
  })
})

describe('a history, looked things up in', () => {
  const histories = effective(
    ledgers(
      [
        ...busy,
        entry('fitted', '2026-03-02', { part: gasket, group: 1 }),
        entry('cleaned', '2026-04-02', { task: 'drain-hose-clean' }),
      ],
      {
        site: [everyDay],
      },
    ),
  )
  it('finds entries by kind, by part and by task', () => {
    expect(ofKind(histories, 'machine', 'fitted').map(({ happenedOn }) => happenedOn)).to.deep.equal(['2026-03-02'])
    expect(touching(histories, 'machine', gasket)).to.have.length(1)
    expect(touching(histories, 'machine', 'drain-hose-clean')).to.have.length(1)
    expect(touching(histories, 'machine', 'pump')).to.deep.equal([])
    expect(touching(histories, 'firm', gasket)).to.deep.equal([])
    expect(settingsOf(histories, 'opening')).to.have.length(1)
    expect(latestDay(histories, 'machine')).to.equal('2026-06-01')
    expect(latestDay({}, 'machine')).to.equal(null)
  })
})
