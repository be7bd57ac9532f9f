import { expect } from 'chai'
import { instanceName, instances, kindById, kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'
import { clocks, policies } from '../../../src/core/wear/limits.ts'
import { tradeFigures } from './trade-figures.ts'

describe('kinds of machine', () => {
  it('are whole: every task, part and line stands at a station there is', () => {
    for (const kind of kinds) {
      const stations = new Set(kind.stations.map((station) => station.id))
      expect(stations.size, kind.id).to.equal(kind.stations.length)
      for (const { id, station } of [...kind.tasks, ...kind.parts])
        expect(stations.has(station), `${kind.id} ${id}`).to.equal(true)
      const drawn = kind.lines.flatMap((line) => line.stations)
      expect(new Set(drawn), `${kind.id}: each station on one line`).to.deep.equal(stations)
      expect(drawn.length).to.equal(stations.size)
      for (const line of kind.lines) {
        for (const end of [line.from, line.to])
          if (end) expect(stations.has(end.station), `${kind.id} ${line.id}`).to.equal(true)
      }
      expect(kind.lines.filter((line) => line.lane === 0)).to.have.length(1)
      expect(kind.lines.filter((line) => line.medium === 'control')).to.have.length(1)
    }
  })

  it('name each task once, but for a part’s materials', () => {
    for (const kind of kinds) {
      const ids = kind.tasks.map((task) => `${task.id} ${task.variant ?? ''}`)
      expect(new Set(ids).size, kind.id).to.equal(ids.length)
      for (const task of kind.tasks) {
        if (task.part)
          expect(
            kind.parts.some((part) => part.id === task.part),
            `${kind.id} ${task.id}`,
          ).to.equal(true)
      }
    }
  })

  it('give every task a clock, cautious before usual before long life', () => {
    for (const kind of kinds) {
      for (const task of kind.tasks) {
        const own = clocks.flatMap((clock) => task.limits[clock] ?? [])
        expect(own.length, `${kind.id} ${task.id}`).to.be.above(0)
        for (const byPolicy of own) {
          const [cautious, usual, long] = policies.map((way) => byPolicy[way]) as [number, number, number]
          expect(cautious > 0 && cautious <= usual && usual <= long, `${kind.id} ${task.id}`).to.equal(true)
        }
      }
    }
  })

  it('share out what a machine pours: drinks sum to one, groups sum to one', () => {
    for (const kind of kinds) {
      expect(
        kind.budget.drinks.reduce((sum, drink) => sum + drink.share, 0),
        kind.id,
      ).to.be.closeTo(1, 1e-9)
      expect(
        kind.groupShares.reduce((sum, share) => sum + share, 0),
        kind.id,
      ).to.be.closeTo(1, 1e-9)
      expect(kind.groupShares).to.have.length(kind.groups)
    }
  })

  it('say how one of several is called', () => {
    expect([instanceName('side', 1), instanceName('side', 2), instanceName('group', 2)]).to.deep.equal([
      'left',
      'right',
      'group 2',
    ])
    expect(instances(kindById('c2')!, 'group')).to.equal(2)
    expect(instances(kindById('pk')!, undefined)).to.equal(1)
    expect(kindById('no such kind')).to.equal(null)
  })

  it('list what is measured with bounds the right way round', () => {
    for (const kind of kinds)
      for (const measure of kind.measures)
        expect(measure.good.from, `${kind.id} ${measure.id}`).to.be.below(measure.good.to)
  })
})

/** Tasks of the trade, cautious / usual / long life; common practice, no source, or from memory. */
const tradeTasks: typeof tradeFigures = [
  ['c2 sp lv pt', 'hot-water-screen', { months: [3, 6, 12] }, 0],
  ['c2 sp lv pt', 'safety-look', { months: [6, 12, 12] }, 0],
  ['c2 lv pt dv dn dg bt sr st sp pk pl pd gr', 'electrical-test', { months: [12, 12, 24] }, 0],
  ['c2 sp', 'full-service', { months: [6, 12, 12] }, 0],
  ['sr st', 'full-service', { shots: [8_000, 15_000, 25_000], months: [6, 12, 24] }, 0],
  ['lv pt dv dn dg bt pk pl pd', 'full-service', { months: [12, 24, 36] }, 0],
  ['lv', 'detergent-backflush', { shots: [15, 30, 200], months: [0.25, 0.25, 3] }, 0],
  ['pt', 'detergent-backflush', { shots: [20, 50, 200], months: [0.25, 0.5, 3] }, 0],
  ['dv dg bt', 'cleaning-programme', { shots: [60, 120, 300], months: [1, 2, 3] }, 0],
  ['dv dn pd', 'group-clean', { months: [0.5, 1, 2] }, 0],
  ['lv pt dv dg', 'screen-soak', { months: [0.25, 1, 3] }, 0],
  ['lv pt dv dn dg bt', 'steam-tip-off', { months: [0.25, 0.5, 1] }, 0],
  ['sr', 'brew-unit-grease', { shots: [500, 1_500, 3_000], months: [1, 3, 6] }, 1.8],
  ['st', 'brew-unit-grease', { shots: [5_000, 10_000, 20_000], months: [6, 12, 24] }, 1.8],
  ['sr st', 'oil-removal', { shots: [150, 250, 400], months: [1, 2, 3] }, 0],
  ['sp', 'group-service', { shots: [10_000, 15_000, 20_000] }, 0],
  ['gr dg bt sp', 'hopper-wash', { months: [0.25, 0.5, 1] }, 0],
  ['pk', 'cleaning-programme', { shots: [100, 300, 600], months: [1, 3, 6] }, 0],
  ['pl', 'head-rinse', { months: [0.034, 0.1, 0.25] }, 0],
  ['sr st sp', 'milk-strip', { months: [0.1, 0.25, 0.25] }, 0],
]

describe('lives and intervals of the trade', () => {
  const taskOf = (kindId: string, name: string) => {
    const [id, variant] = name.split(':')
    return kindById(kindId)!.tasks.find((task) => task.id === id && task.variant === variant)
  }

  for (const [kindIds, name, limits, beta] of [...tradeFigures, ...tradeTasks]) {
    it(`${kindIds}: ${name}`, () => {
      for (const kindId of kindIds.split(' ')) {
        const task = taskOf(kindId, name)
        expect(task, kindId).to.not.equal(undefined)
        const shipped = Object.fromEntries(
          Object.entries(task!.limits).map(([clock, { cautious, usual, longLife }]) => [
            clock,
            [cautious, usual, longLife],
          ]),
        )
        expect(shipped, kindId).to.deep.equal(limits)
        expect(task!.beta ?? 0, `${kindId} shape`).to.equal(beta)
      }
    })
  }

  it('leave no task out of the tables but a few that only this product names', () => {
    const checked = new Set(
      [...tradeFigures, ...tradeTasks].flatMap(([kindIds, name]) =>
        kindIds.split(' ').map((kind) => `${kind} ${name}`),
      ),
    )
    const missing = kinds
      .flatMap((kind) => kind.tasks.map(({ id, variant }) => `${kind.id} ${id}${variant ? `:${variant}` : ''}`))
      .filter((key) => !checked.has(key))
    // From memory or carried over from a kind that has it in the tables.
    expect(new Set(missing)).to.deep.equal(
      new Set([
        'bt screen-soak',
        'c2 detergent-backflush',
        'c2 screen-soak',
        'c2 steam-tip-off',
        'sp milk-cleaner',
        'sr milk-cleaner',
        'st milk-cleaner',
        'dn cleaning-programme',
        'dn screen-soak',
        'dn three-way-valve',
        'dn cleaning-disc',
        'dn tank-filter',
        'dv brew-valve',
        'dv pressurised-basket',
        'gr burrs:hard-coated',
        'lv cut-out',
        'pd pressurised-basket',
        'lv element-gasket',
        'pt cut-out',
        'pt element-gasket',
        'sp cleaning-programme',
        'sp cut-out',
      ]),
    )
    // Hard-coated burrs last twice the plain figure; common practice.
    const [plain, coated] = ['flat-under-70-mm', 'hard-coated'].map(
      (variant) => taskOf('gr', `burrs:${variant}`)!.limits.shots!,
    )
    expect(coated).to.deep.equal({
      cautious: plain!.cautious * 2,
      usual: plain!.usual * 2,
      longLife: plain!.longLife * 2,
    })
  })

  it('let nothing that guards against pressure or heat pass its last figure', () => {
    for (const kind of kinds)
      for (const task of kind.tasks)
        if (/safety-valve|vacuum-breaker|cut-out/.test(task.id))
          expect(task.safety, `${kind.id} ${task.id}`).to.equal(true)
  })
})

describe('what only some machines of a kind have', () => {
  const ids = (kind: Kind) => kind.stations.map(({ id }) => id)

  it('is there or not as somebody said, and as usual until then', () => {
    const [dv, dn] = [kindById('dv')!, kindById('dn')!]
    expect(ids(withOptions(dv, new Map())))
      .to.include('three-way')
      .and.not.include('brew-valve')
    expect(ids(withOptions(dn, new Map())))
      .to.include('brew-valve')
      .and.not.include('three-way')
    const turned = withOptions(dn, new Map([['three-way', true]]))
    expect(ids(turned)).to.deep.equal(ids(withOptions(dv, new Map())))
    expect(turned.tasks.map(({ id }) => id))
      .to.include('cleaning-programme')
      .and.not.include('group-clean')
    // The branch that hung on the valve falls with it.
    expect(withOptions(dn, new Map()).lines.map(({ id }) => id)).not.to.include('drain')
  })

  it('leaves every kind whole, with all of it and with none', () => {
    for (const kind of kinds)
      for (const fitted of [true, false]) {
        const here = withOptions(kind, new Map(kind.options.map(({ id }) => [id, fitted])))
        const stations = new Set(ids(here))
        for (const { id, station } of [...here.tasks, ...here.parts, ...here.vessels])
          expect(stations.has(station), `${kind.id} ${id} ${fitted}`).to.equal(true)
        expect(new Set(here.lines.flatMap((line) => line.stations))).to.deep.equal(stations)
        const measures = here.measures.map(({ id }) => id)
        expect(new Set(measures).size, kind.id).to.equal(measures.length)
      }
  })

  it('tells of each option how to see it, and names only options there are', () => {
    for (const kind of kinds) {
      const options = new Set(kind.options.map(({ id }) => id))
      for (const { id, howToTell } of kind.options) expect(howToTell.length, `${kind.id} ${id}`).to.be.above(0)
      const rows = [
        kind.stations,
        kind.lines,
        kind.parts,
        kind.tasks,
        kind.measures,
        kind.vessels,
        kind.prompts,
        kind.cleaning,
      ].flat()
      for (const row of rows)
        for (const option of [row.with, row.without])
          if (option) expect(options.has(option), `${kind.id} ${option}`).to.equal(true)
    }
  })
})

describe('what a machine shows', () => {
  it('asks only for what its kind is given', () => {
    for (const kind of kinds) {
      const tasks = new Set(['descale', ...kind.tasks.map(({ id }) => id)])
      for (const { id, asksFor } of kind.prompts)
        if (asksFor) expect(tasks.has(asksFor), `${kind.id} ${id}`).to.equal(true)
      expect(new Set(kind.prompts.map(({ id }) => id)).size).to.equal(kind.prompts.length)
    }
  })

  it('means opposite things by one steady lamp on two revisions; common practice', () => {
    const meant = (fitted: boolean) =>
      withOptions(kindById('dg')!, new Map([['blinking-lamp', fitted]]))
        .prompts.filter(({ where, shows }) => where === 'Cleaning lamp' && shows === 'solid')
        .map(({ asksFor }) => asksFor)
    expect([meant(true), meant(false)]).to.deep.equal([['descale'], ['cleaning-programme']])
  })
})
