import { expect } from 'chai'
import { instanceName, instances, kindById, kinds } from '../../../src/core/kinds/index.ts'
import { clocks, schools } from '../../../src/core/wear/limits.ts'

describe('kinds of machine', () => {
  it('are whole: every duty, part and line stands at a station there is', () => {
    for (const kind of kinds) {
      const stations = new Set(kind.stations.map((station) => station.id))
      expect(stations.size, kind.id).to.equal(kind.stations.length)
      for (const { id, station } of [...kind.duties, ...kind.parts])
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

  it('name each duty once, but for a part’s materials', () => {
    for (const kind of kinds) {
      const ids = kind.duties.map((duty) => `${duty.id} ${duty.variant ?? ''}`)
      expect(new Set(ids).size, kind.id).to.equal(ids.length)
      for (const duty of kind.duties) {
        if (duty.part)
          expect(
            kind.parts.some((part) => part.id === duty.part),
            `${kind.id} ${duty.id}`,
          ).to.equal(true)
      }
    }
  })

  it('give every duty a clock, cautious before usual before long life', () => {
    for (const kind of kinds) {
      for (const duty of kind.duties) {
        const own = clocks.flatMap((clock) => duty.limits[clock] ?? [])
        expect(own.length, `${kind.id} ${duty.id}`).to.be.above(0)
        for (const bySchool of own) {
          const [cautious, usual, long] = schools.map((school) => bySchool[school]) as [number, number, number]
          expect(cautious > 0 && cautious <= usual && usual <= long, `${kind.id} ${duty.id}`).to.equal(true)
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

/**
 * The trade's own figures, cautious / usual / long life, as they must stand in the shipped data. Common
 * practice, no source, where marked T; from memory elsewhere.
 */
const figures: [
  kind: string,
  duty: string,
  clock: 'shots' | 'litres' | 'months' | 'detergentCycles',
  cautious: number,
  usual: number,
  long: number,
][] = [
  ['c2', 'group-gasket', 'shots', 12_000, 22_000, 35_000],
  ['c2', 'group-gasket', 'months', 3, 6, 12],
  ['c2', 'group-gasket', 'detergentCycles', 100, 200, 350],
  ['c2', 'shower-screen', 'shots', 20_000, 40_000, 80_000],
  ['c2', 'shower-screen', 'months', 6, 12, 24],
  ['c2', 'dispersion-block', 'months', 36, 72, 120],
  ['c2', 'dispersion-block-clean', 'months', 3, 6, 12],
  ['c2', 'screen-screw', 'months', 12, 24, 48],
  ['c2', 'basket', 'shots', 20_000, 50_000, 100_000],
  ['c2', 'portafilter', 'shots', 60_000, 150_000, 300_000],
  ['c2', 'three-way-valve', 'shots', 60_000, 120_000, 250_000],
  ['c2', 'three-way-valve', 'months', 24, 48, 84],
  ['c2', 'three-way-coil', 'months', 36, 72, 120],
  ['c2', 'flow-meter', 'litres', 6_000, 12_000, 25_000],
  ['c2', 'group-restrictor-clean', 'litres', 2_000, 5_000, 10_000],
  ['c2', 'pump-head', 'litres', 60_000, 120_000, 250_000],
  ['c2', 'motor-capacitor', 'months', 60, 96, 144],
  ['c2', 'inlet-strainer-clean', 'litres', 10_000, 20_000, 40_000],
  ['c2', 'fill-valve', 'months', 24, 48, 84],
  ['c2', 'non-return-valve', 'months', 24, 48, 84],
  ['c2', 'expansion-valve-check', 'months', 6, 12, 24],
  ['c2', 'safety-valve', 'months', 12, 24, 24],
  ['c2', 'vacuum-breaker', 'months', 12, 24, 36],
  ['c2', 'pressure-switch', 'months', 24, 48, 84],
  ['c2', 'pressure-sensor', 'months', 48, 84, 120],
  ['c2', 'heating-element', 'months', 48, 84, 144],
  ['c2', 'element-gasket', 'months', 36, 72, 120],
  ['c2', 'cut-out', 'months', 60, 96, 144],
  ['c2', 'contactor', 'months', 36, 72, 120],
  ['c2', 'level-probe', 'months', 48, 84, 120],
  ['c2', 'level-probe-clean', 'months', 6, 12, 24],
  ['c2', 'sight-glass', 'months', 24, 48, 84],
  ['c2', 'steam-valve-seat', 'months', 6, 12, 24],
  ['c2', 'steam-stem-rings', 'months', 6, 12, 24],
  ['c2', 'wand-pivot-ring', 'months', 6, 12, 24],
  ['c2', 'steam-tip', 'months', 12, 36, 60],
  ['c2', 'hot-water-seal', 'months', 12, 24, 48],
  ['c2', 'key-pad', 'shots', 300_000, 600_000, 1_000_000],
  ['c2', 'control-board', 'months', 60, 96, 144],
  ['c2', 'pressure-gauge', 'months', 48, 96, 144],
  ['c2', 'drain-hose', 'months', 24, 60, 96],
  ['c2', 'drain-hose-clean', 'months', 1, 1, 3],
  ['c2', 'hot-water-screen', 'months', 3, 6, 12],
  ['c2', 'safety-look', 'months', 6, 12, 12],
  ['c2', 'electrical-test', 'months', 12, 12, 24],
  ['c2', 'full-service', 'months', 6, 12, 12],
  ['sr', 'nozzle-seals', 'shots', 3_000, 6_000, 10_000],
  ['sr', 'nozzle-seals', 'months', 6, 9, 18],
  ['sr', 'nozzle-seals', 'detergentCycles', 10, 25, 50],
  ['sr', 'piston-ring', 'shots', 5_000, 10_000, 20_000],
  ['sr', 'piston-ring', 'months', 9, 14, 24],
  ['sr', 'upper-screen', 'shots', 8_000, 15_000, 30_000],
  ['sr', 'brew-unit', 'shots', 20_000, 40_000, 80_000],
  ['sr', 'brew-unit-grease', 'shots', 500, 1_500, 3_000],
  ['sr', 'brew-unit-grease', 'months', 1, 3, 6],
  ['sr', 'unit-drive', 'shots', 25_000, 50_000, 90_000],
  ['sr', 'position-switches', 'shots', 20_000, 50_000, 90_000],
  ['sr', 'multi-way-valve', 'shots', 15_000, 30_000, 60_000],
  ['sr', 'pump', 'litres', 800, 1_800, 3_500],
  ['sr', 'pump-hose', 'months', 36, 60, 96],
  ['sr', 'flow-meter', 'litres', 3_000, 6_000, 10_000],
  ['sr', 'thermoblock', 'litres', 2_000, 4_000, 8_000],
  ['sr', 'pressure-hoses', 'shots', 15_000, 30_000, 50_000],
  ['sr', 'steam-valve', 'months', 24, 48, 84],
  ['sr', 'tank-coupling', 'months', 12, 24, 48],
  ['sr', 'tank-filter', 'litres', 30, 50, 70],
  ['sr', 'tank-filter', 'months', 1.5, 2, 3],
  ['sr', 'chute', 'shots', 10_000, 25_000, 50_000],
  ['sr', 'grinder-motor', 'shots', 20_000, 40_000, 70_000],
  ['sr', 'spring-contacts', 'months', 48, 84, 144],
  ['sr', 'spout-pipes', 'months', 12, 36, 60],
  ['sr', 'door-switches', 'months', 48, 84, 120],
  ['sr', 'oil-removal', 'shots', 150, 250, 400],
  ['sr', 'oil-removal', 'months', 1, 2, 3],
  ['sr', 'full-service', 'shots', 8_000, 15_000, 25_000],
  ['pk', 'needle', 'shots', 8_000, 15_000, 25_000],
  ['pk', 'needle-clean', 'shots', 300, 600, 1_200],
  ['pk', 'needle-clean', 'months', 1, 3, 6],
  ['pk', 'head-gasket', 'shots', 4_000, 8_000, 15_000],
  ['pk', 'cage', 'shots', 8_000, 15_000, 30_000],
  ['pk', 'non-return-valve', 'shots', 6_000, 12_000, 25_000],
  ['pk', 'lock-linkage', 'shots', 8_000, 16_000, 30_000],
  ['pk', 'pump', 'litres', 500, 1_000, 2_000],
  ['pk', 'flow-heater', 'litres', 600, 1_200, 2_400],
  ['pk', 'flow-meter', 'shots', 20_000, 40_000, 70_000],
  ['pk', 'tank-valve', 'months', 24, 48, 84],
  ['pk', 'thermal-fuse', 'months', 48, 84, 120],
  ['pk', 'head-switch', 'shots', 10_000, 25_000, 50_000],
  ['pk', 'cleaning-programme', 'shots', 100, 300, 600],
  ['pk', 'full-service', 'months', 12, 24, 36],
]

describe('lives and intervals of the trade', () => {
  for (const [kindId, dutyId, clock, cautious, usual, longLife] of figures) {
    it(`${kindId}: ${dutyId} by ${clock}`, () => {
      const duty = kindById(kindId)!.duties.find((candidate) => candidate.id === dutyId)!
      expect(duty.limits[clock]).to.deep.equal({ cautious, usual, longLife })
    })
  }

  it('leave no duty out of the table but materials that are checked beside it', () => {
    const checked = new Set(figures.map(([kind, duty]) => `${kind} ${duty}`))
    const missing = kinds
      .flatMap((kind) => kind.duties.map((duty) => `${kind.id} ${duty.id}`))
      .filter((key) => !checked.has(key))
    expect(new Set(missing)).to.deep.equal(new Set(['sr burrs', 'sr electrical-test', 'pk electrical-test']))
    const burrs = kindById('sr')!.duties.filter((duty) => duty.id === 'burrs')
    expect(burrs.map((duty) => [duty.variant, duty.limits.shots!.usual])).to.deep.equal([
      ['ceramic', 30_000],
      ['steel', 16_000],
    ])
  })
})
