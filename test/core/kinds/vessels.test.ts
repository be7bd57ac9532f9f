import { expect } from 'chai'
import { kindById, kinds } from '../../../src/core/kinds/index.ts'
import { waterUses } from '../../../src/core/kinds/vessel.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { waterAlong } from '../../../src/core/standing/water/along-path.ts'
import { boilerConcentrate } from '../../../src/core/standing/water/boiler-concentrate.ts'
import { vesselWorking } from '../../../src/core/standing/water/chalk-lines.ts'
import { machineChalk } from '../../../src/core/standing/water/machine-chalk.ts'
import { policies } from '../../../src/core/wear/limits.ts'
import { ledgers, setting, steadyReadings, takenOn } from '../standing/a-history.ts'

// A grinder heats no water.
for (const kind of kinds.filter(({ id }) => id !== 'gr'))
  describe(`the vessels of a ${kind.name}`, () => {
    const facts = (more: Parameters<typeof setting>[2][] = []) =>
      machineFacts(
        effective(
          ledgers([
            takenOn(kind.id, '2025-01-01'),
            ...steadyReadings('2025-01-06', '2025-12-01', 300),
            ...more.map((body) => setting('machine', '2025-01-02', body)),
          ]),
        ),
      )!

    it('stand on its path, each in a station of its own line', () => {
      expect(kind.vessels.length).to.be.above(0)
      const stations = new Set(kind.stations.map(({ id }) => id))
      for (const vessel of kind.vessels) {
        expect(stations.has(vessel.station), vessel.id).to.equal(true)
        if (vessel.inside) expect(kind.vessels.some(({ id }) => id === vessel.inside)).to.equal(true)
      }
      expect(new Set(kind.vessels.map(({ id }) => id)).size).to.equal(kind.vessels.length)
    })

    it('have a wall, a limit a way, and a temperature', () => {
      for (const vessel of kind.vessels) {
        const [cautious, usual, longLife] = policies.map((way) => vessel.limitMm[way]) as [number, number, number]
        expect(cautious).to.be.below(usual)
        expect(usual).to.be.below(longLife)
        expect(vessel.setBar ?? vessel.outletC ?? vessel.inside, vessel.id).to.not.equal(undefined)
        expect(vessel.mark).to.equal('M')
      }
    })

    it('get all the water that is heated, and none twice', () => {
      const { budget } = facts()
      const [perDrink, daily] = waterUses.reduce(
        ([ml, litres], use) => [ml + budget.uses[use].mlPerDrink, litres + budget.uses[use].litresPerOpenDay],
        [0, 0],
      )
      expect(perDrink).to.be.closeTo(budget.mlPerDrink, 1e-9)
      expect(daily).to.be.closeTo(budget.litresPerOpenDay, 1e-9)
      for (const use of ['brew', 'steam', 'hot-water'] as const) {
        const drawn = budget.uses[use].mlPerDrink + budget.uses[use].litresPerOpenDay
        const takers = kind.vessels.filter(({ takes }) => takes.includes(use))
        if (drawn > 0) expect(takers.length, use).to.equal(1)
      }
    })

    it('share a budget of one’s own out alike', () => {
      const { budget } = facts([{ setting: 'budget', mlPerDrink: 200, litresPerOpenDay: 3 }])
      const usual = facts().budget
      expect(budget.uses.brew.mlPerDrink / 200).to.be.closeTo(usual.uses.brew.mlPerDrink / usual.mlPerDrink, 1e-9)
      expect(budget.setSaid).to.equal('set for this machine')
      const filled = { setting: 'budget', mlPerDrink: 131, litresPerOpenDay: 0, filled: { litres: 18, drinks: 137 } }
      expect(facts([filled]).budget.setSaid).to.equal(`measured: 18 L over 137 ${kind.counter.unit}`)
    })

    it('tell their chalk line by line, naming only lines that stand above', () => {
      const one = facts()
      const chalk = machineChalk(one)!
      for (const vessel of chalk.vessels) {
        const { lines, why } = vesselWorking(one, chalk, vessel, one.asOfDay)
        expect(why).to.be.a('string')
        lines.forEach((line, i) => {
          for (const [, n] of (line.formula ?? '').matchAll(/\{(\d+)\}/g))
            expect(Number(n), line.what).to.be.within(1, i)
          if (line.origin === 'default') expect(line.mark, line.what).to.be.oneOf(['M', 'T'])
        })
        expect(lines.some(({ what }) => what === 'Thickness')).to.equal(true)
        expect(JSON.stringify(lines)).not.to.match(/NaN|Infinity|null/)
      }
    })

    it('draw their water along the line without a gap between first and last station', () => {
      const one = facts()
      const chalk = machineChalk(one)!
      const along = waterAlong(kind, chalk, boilerConcentrate(one, chalk), false)
      const main = kind.lines.find(({ lane, medium }) => lane === 0 && medium === 'water')!.stations
      expect(along[0]!.from).to.equal(main[0])
      for (const stretch of along) {
        // A boiler that is filled beside the main line stands for itself.
        if (stretch.id !== 'boiler') {
          expect(main.includes(stretch.from) && main.includes(stretch.to), stretch.id).to.equal(true)
          expect(main.indexOf(stretch.to)).to.be.at.least(main.indexOf(stretch.from))
        } else expect(kind.stations.some(({ id }) => id === stretch.from)).to.equal(true)
        expect(stretch.totalMgL.low).to.be.at.most(stretch.totalMgL.value + 1e-9)
        expect(stretch.totalMgL.value).to.be.at.most(stretch.totalMgL.high + 1e-9)
      }
    })
  })

it('a machine without water has none to reckon', () => {
  const grinder = machineFacts(effective(ledgers([takenOn('gr', '2025-01-01')])))!
  expect(machineChalk(grinder)).to.equal(null)
  expect(kindById('gr')!.vessels).to.deep.equal([])
  expect(grinder.budget.mlPerDrink).to.equal(0)
})
