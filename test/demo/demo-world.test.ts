import { expect } from 'chai'
import { kinds } from '../../src/core/kinds/index.ts'
import { effectiveHistory } from '../../src/core/ledger/effective-history.ts'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { parseEntry } from '../../src/core/ledger/parse-entry.ts'
import { toDay } from '../../src/core/quantity/local-day.ts'
import { reckonMachine } from '../../src/core/standing/reckon-machine.ts'
import { comebacks } from '../../src/core/visits/comebacks.ts'
import { dice } from '../../src/demo/dice.ts'
import { siteHistory } from '../../src/demo/site-history.ts'
import { demoSites } from '../../src/demo/world.ts'

const endDay = toDay('2026-11-26')

const made = new Map<string, ReturnType<typeof makeHistory>>()

/** A site's history, made once: the same seed and day make the same one, as one test sees for itself. */
function historyOf(name: string, seed = 'test', end = endDay) {
  const key = `${name} ${seed} ${end}`
  if (!made.has(key)) made.set(key, makeHistory(name, seed, end))
  return made.get(key)!
}

function makeHistory(name: string, seed: string, end: number) {
  const site = demoSites.find((candidate) => candidate.name === name)!
  const d = dice(`ids ${name}`)
  const id = () => d.uuid(1_700_000_000_000)
  const people = { technicianId: id(), gaugeId: id(), reagentId: id() }
  const ids = { siteId: id(), softenerId: site.softener ? id() : null, machineIds: site.machines.map(id), ...people }
  const { entries } = siteHistory(seed, site, ids, end)
  const of = (machine: string) =>
    entries.filter(
      (entry) => entry.subjectId === ids.machineIds[site.machines.findIndex(({ name: own }) => own === machine)],
    )
  return { site, ids, entries, of }
}

const kindsOf = (entries: Entry[]) => new Set(entries.map((entry) => entry.kind))

describe('the demo world', () => {
  it('has sixty-six machines of every kind that ships on eighteen sites, in three waters', () => {
    const machines = demoSites.flatMap((site) => site.machines)
    expect([demoSites.length, machines.length]).to.deep.equal([18, 66])
    expect(new Set(machines.map(({ kind }) => kind))).to.deep.equal(new Set(kinds.map(({ id }) => id)))
    expect(new Set(demoSites.map(({ area }) => area)).size).to.equal(3)
  })

  it('is a function of its seed and its last day', () => {
    const bakery = 'Thistle & Rye bakery'
    expect(makeHistory(bakery, 'test', endDay).entries).to.deep.equal(historyOf(bakery).entries)
    expect(historyOf(bakery, 'other').entries).not.to.deep.equal(historyOf(bakery).entries)
  })

  it('ends on its last day, and makes only entries the ledger takes', () => {
    for (const site of demoSites) {
      const { entries } = historyOf(site.name)
      expect(
        entries.every((entry) => entry.happenedOn <= '2026-11-26'),
        site.name,
      ).to.equal(true)
      for (const entry of entries) expect(parseEntry(entry), JSON.stringify(entry)).to.have.property('ok', true)
      expect(new Set(entries.map((entry) => entry.id)).size, site.name).to.equal(entries.length)
    }
  })

  it('has the mess of two years: typing errors put right, a board swap, a perished seal, a machine that nags', () => {
    const bakery = historyOf('Thistle & Rye bakery').of('Right bar')
    expect(bakery.some((entry) => entry.supersedes)).to.equal(true)
    const swapped = reckonMachine({ machine: historyOf('Tram depot canteen').of('Workshop') })!
    expect(swapped.flags.map(({ kind }) => kind)).to.include('reset')
    const clerks = historyOf("Bellfounders' law office").of("Clerks' kitchen")
    expect(kindsOf(clerks)).to.include.keys('fault-reported', 'repaired')
    expect(
      clerks.some(
        (entry) => entry.kind === 'removed' && entry.body.part === 'nozzle-seals' && entry.body.condition === 4,
      ),
    ).to.equal(true)
    expect(kindsOf(historyOf("Cooper's Yard workshops").of('Foundry'))).to.include.keys('prompt-seen')
    expect(kindsOf(historyOf('Glasshouse studio').of('Darkroom'))).not.to.include.keys('reading')
  })

  it('has a repair that came back, one put away for the winter, one retired', () => {
    const dayRoom = historyOf('Moorside hospice').of('Day room')
    const back = comebacks(effectiveHistory(dayRoom).entries)
    expect(back.map(({ days }) => days)).to.include(17)
    expect(reckonMachine({ machine: historyOf('Lantern Quay ferry kiosk').of('Harbour master') })!.stage).to.equal(
      'winterised',
    )
    expect(reckonMachine({ machine: historyOf('Northlight offices').of('Boardroom') })!.standings).to.deep.equal([])
  })

  it('heads every visit with who came and on what terms', () => {
    const { entries } = historyOf('Thistle & Rye bakery')
    const headed = new Set(entries.filter(({ kind }) => kind === 'visit').map(({ visitId }) => visitId))
    const visits = new Set(entries.flatMap(({ visitId }) => visitId ?? []))
    expect(headed).to.deep.equal(visits)
    expect(headed.size).to.be.above(20)
  })

  it('has two people correcting one entry at once', () => {
    const planning = reckonMachine({ machine: historyOf('Harrowmere town hall').of('Planning') })!
    expect(planning.rivals).to.have.length(2)
  })

  it('has a softener spent early and a customer who skipped a year', () => {
    const { entries, ids } = historyOf('Tram depot canteen')
    const outlet = entries.filter((entry) => entry.subjectId === ids.softenerId && entry.kind === 'water-test')
    expect(outlet.filter((entry) => entry.kind === 'water-test' && entry.body.drops === 6)).to.have.length(1)
    const cottage = historyOf('Tollgate cottage')
      .of('Kitchen')
      .filter((entry) => entry.visitId)
      .map((entry) => toDay(entry.happenedOn))
      .sort((a, b) => a - b)
    const gaps = cottage.slice(1).map((day, i) => day - cottage[i]!)
    expect(Math.max(...gaps)).to.be.above(350)
  })

  it('throws the same dice for the same seed, evenly', () => {
    const d = dice('even')
    const thrown = Array.from({ length: 6000 }, () => d.whole(1, 6))
    for (let face = 1; face <= 6; face += 1) expect(thrown.filter((one) => one === face).length).to.be.within(850, 1150)
    expect(dice('a').uuid(1_700_000_000_000)).to.equal(dice('a').uuid(1_700_000_000_000))
    expect(dice('a').uuid(1_700_000_000_000)).to.match(
      /^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/,
    )
  })
})
