import { expect } from 'chai'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { toDay } from '../../src/core/quantity/local-day.ts'
import { exchangerFacts } from '../../src/core/standing/exchanger-facts.ts'
import { effective, type Ledgers } from '../../src/core/standing/histories.ts'
import { machineFacts } from '../../src/core/standing/machine-facts.ts'
import { reckonSoftener } from '../../src/core/standing/reckon-softener.ts'
import { softenerFacts } from '../../src/core/standing/softener-facts.ts'
import { boilerConcentrate } from '../../src/core/standing/water/boiler-concentrate.ts'
import { machineChalk } from '../../src/core/standing/water/machine-chalk.ts'
import { outletTests } from '../../src/core/standing/water/outlet-tests.ts'
import { siteHistory } from '../../src/demo/site-history.ts'
import { zoneWater } from '../../src/demo/town.ts'
import { demoSites } from '../../src/demo/world.ts'

const endDay = toDay('2026-11-26')
const bag = { technicianId: '', gaugeId: '', reagentId: '' }

const made = new Map<string, ReturnType<typeof makeWorld>>()

/** One demo site's ledgers, by machine and softener, made once. */
function worldOf(name: string) {
  if (!made.has(name)) made.set(name, makeWorld(name))
  return made.get(name)!
}

function makeWorld(name: string) {
  const site = demoSites.find((one) => one.name === name)!
  const ids = {
    siteId: 's',
    softenerId: site.softener ? 'w' : null,
    machineIds: site.machines.map((_, i) => `m${i}`),
    ...bag,
  }
  const { entries } = siteHistory('harrowmere-1', site, ids, endDay)
  const about = (id: string): Entry[] => entries.filter(({ subjectId }) => subjectId === id)
  const machines = site.machines.map((machine, i): { machine: typeof machine; ledgers: Ledgers } => ({
    machine,
    ledgers: { machine: about(`m${i}`), site: about('s'), ...(machine.softened && { softener: about('w') }) },
  }))
  const fed = machines.filter(({ machine }) => machine.softened).map(({ ledgers }) => ledgers)
  return { site, machines, softener: { softener: about('w'), site: about('s') } as Ledgers, fed }
}

describe('the water of the demo world', () => {
  for (const { name, area } of demoSites)
    it(`${name}: every machine’s chalk is reckoned from tests, between nothing and a blocked tube`, () => {
      // A grinder draws none.
      for (const { machine, ledgers } of worldOf(name).machines.filter((one) => one.machine.kind !== 'gr')) {
        const facts = machineFacts(effective(ledgers))!
        const chalk = machineChalk(facts)!
        expect(chalk.water.assumed, machine.name).to.equal(false)
        const dh = chalk.water.raw.likely.hardnessMgL / 17.848
        const zone = zoneWater[area]
        const [low, high] = [Math.min(zone.totalDh(2), zone.totalDh(8)), Math.max(zone.totalDh(2), zone.totalDh(8))]
        expect(dh, machine.name).to.be.within(low * 0.8 - 1, high * 1.2 + 1.5)
        for (const vessel of chalk.vessels) {
          const mm = vessel.thicknessOf(vessel.gramsAt(facts.asOfDay))
          expect(mm, `${machine.name}, ${vessel.vessel.name}`).to.be.within(0, 2)
        }
      }
    })

  it('is softened where a softener stands, and a two-group behind it keeps a thinner wall', () => {
    const chalkOf = ({ ledgers }: ReturnType<typeof worldOf>['machines'][number]) => {
      const facts = machineFacts(effective(ledgers))!
      return { facts, chalk: machineChalk(facts)! }
    }
    const [behind] = worldOf('Thistle & Rye bakery').machines
    const [without] = worldOf('Paper Lantern bookshop').machines
    const soft = chalkOf(behind!)
    const hard = chalkOf(without!)
    expect(soft.chalk.water.treatment.kind).to.equal('exchanger')
    expect(hard.chalk.water.treatment.kind).to.equal('none')
    const perDrink = (one: typeof soft) => one.chalk.vessels[0]!.stuck.thousandthsPerDrink
    expect(perDrink(soft)).to.be.lessThan(perDrink(hard) / 2)
    // Carbonate stays behind a sodium exchanger: the boiler concentrates it.
    expect(boilerConcentrate(soft.facts, soft.chalk)!.first.name).to.equal('alkalinity')
    expect(boilerConcentrate(hard.facts, hard.chalk)!.first.name).to.equal('conductivity')
  })

  it('tells the softener that was spent early from those that were not', () => {
    const spentAt = (name: string) => {
      const { softener, fed } = worldOf(name)
      const facts = softenerFacts(softener, fed)!
      return outletTests(facts.histories, facts.draw).filter(({ spent }) => spent).length
    }
    expect(spentAt('Tram depot canteen')).to.equal(1)
    expect(spentAt('Thistle & Rye bakery')).to.equal(0)
  })

  it('has every treatment there is, each asking for its own', () => {
    const keysAt = (name: string) => {
      const { softener, fed } = worldOf(name)
      return reckonSoftener(softener, fed)!.standings.map(({ key }) => key)
    }
    const parts = (seals: string) => ['resin-top-up', 'resin', seals]
    expect(keysAt('Kettle Lane hotel')).to.deep.equal(['salt', 'outlet-test', ...parts('valve-seals')])
    expect(keysAt('Long Gallery museum café')).to.deep.equal(['change-cartridge', 'outlet-test'])
    expect(keysAt('Harrowmere town hall')).to.deep.equal(['change-membrane', 'change-prefilter', 'outlet-test'])
    expect(keysAt('Saltmarsh library café')).to.deep.equal(['change-prefilter', 'outlet-test'])
    expect(keysAt('Thistle & Rye bakery')).to.deep.equal(['regenerate', 'outlet-test', ...parts('lid-seals')])
  })

  it('lets a softener’s capacity stay near what is usual, and surer than before', () => {
    const { softener, fed } = worldOf('Thistle & Rye bakery')
    const facts = softenerFacts(softener, fed)!
    const { capacity, usualGPerL, gives } = exchangerFacts(facts.histories, facts.draw)!
    expect(capacity.value).to.be.within(usualGPerL * 0.8, usualGPerL * 1.3)
    expect(capacity.below + capacity.above).to.be.at.most(0.5)
    expect(gives!.low).to.be.lessThan(gives!.value)
    expect(gives!.value).to.be.lessThan(gives!.high)
  })

  it('taught some machines their own share that sticks', () => {
    const taught = demoSites.flatMap(({ name }) =>
      worldOf(name).machines.flatMap(({ ledgers }) => {
        const learned = machineChalk(machineFacts(effective(ledgers))!)?.learned
        return learned ? [learned.value] : []
      }),
    )
    expect(taught.length).to.be.above(5)
    // What came off was a fifth less than reckoned, give or take.
    const middle = taught.sort((a, b) => a - b)[Math.floor(taught.length / 2)]!
    expect(middle).to.be.within(0.5, 1.1)
  })
})
