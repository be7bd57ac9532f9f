import { expect } from 'chai'
import { kindById } from '../../../src/core/kinds/index.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entry, everyDay, ledgers, setting, standingOf, takenOn } from './a-history.ts'

const read = (on: string, count: number, apart: Record<string, unknown> = {}) =>
  entry('reading', on, { counter: 'shots', count, ...apart })
const history = (kind: string, ...more: ReturnType<typeof read>[]) =>
  ledgers([takenOn(kind, '2026-01-05'), ...more], { site: [everyDay] })
const facts = (given: ReturnType<typeof ledgers>) => machineFacts(effective(given))!

describe('a machine whose counter counts apart', () => {
  const two = (groups: [number[], number[]], ...more: ReturnType<typeof read>[]) =>
    history(
      'c2',
      read('2026-01-05', 0, { groups: groups[0] }),
      read('2026-06-01', 20_000, { groups: groups[1] }),
      ...more,
    )

  it('shares its drinks out by its groups’ own counters, and the working says so', () => {
    const given = two([
      [0, 0],
      [14_000, 6000],
    ])
    const { shares } = facts(given)
    expect(shares.level).to.equal('counted')
    // (14,000 + 200 × 0.55) of 20,200: default shares worth two hundred drinks, from memory.
    expect(shares.value[0]).to.be.closeTo(14_110 / 20_200, 1e-12)
    const [first, second] = [1, 2].map((n) => standingOf(given, `shower-screen@${n}`))
    const used = (standing: typeof first) => standing!.uses.find(({ clock }) => clock === 'shots')!.used
    expect(used(first) / used(second)).to.be.closeTo(14_110 / 6090, 1e-3)
    const line = first!.working.lines.find(({ what }) => what === 'Group 1 takes')!
    expect(line).to.include({ origin: 'measured', source: 'its groups’ own counters, 20000 in all' })
  })

  it('goes by what somebody set for the groups before what they count', () => {
    const said = setting('machine', '2026-05-01', { setting: 'group-share', shares: [0.5, 0.5] })
    const given = two(
      [
        [0, 0],
        [14_000, 6000],
      ],
      said as never,
    )
    expect(facts(given).shares).to.deep.equal({ value: [0.5, 0.5], level: 'machine' })
  })

  it('draws the water of the drinks it makes', () => {
    const names = kindById('sr')!.budget.drinks.map(({ name }) => name)
    const mix = (counts: number[]) => names.map((name, i) => ({ name, count: counts[i]! }))
    const of = (counts: number[]) =>
      facts(
        history(
          'sr',
          read('2026-01-05', 0, { drinks: mix([0, 0, 0]) }),
          read('2026-06-01', 10_000, { drinks: mix(counts) }),
        ),
      ).budget
    const [small, large] = [of([10_000, 0, 0]), of([0, 0, 10_000])]
    expect(small.from).to.equal('counted')
    expect(large.mlPerDrink).to.be.above(3 * small.mlPerDrink)
    // A drink the kind does not know tells nothing of its mix.
    const strange = history('sr', read('2026-06-01', 10_000, { drinks: [{ name: 'cocoa', count: 10_000 }] }))
    expect(facts(strange).budget.from).to.equal('catalogue')
  })

  it('wears by drinks, without the rinses its counter counts among them', () => {
    const plain = history('sr', read('2026-01-05', 0), read('2026-06-01', 10_000))
    const rinsed = history('sr', read('2026-01-05', 0, { rinses: 0 }), read('2026-06-01', 10_000, { rinses: 2000 }))
    const used = (given: typeof plain) =>
      standingOf(given, 'piston-ring').uses.find(({ clock }) => clock === 'shots')!.used
    expect(used(rinsed) / used(plain)).to.be.closeTo(0.8, 1e-3)
    const reckoning = reckonMachine(rinsed)!
    expect(reckoning.counter).to.deep.include({ count: 10_000, rinseShare: 0.2 })
    expect(reckoning.use!.mean / reckonMachine(plain)!.use!.mean).to.be.closeTo(0.8, 0.02)
    const moved = standingOf(rinsed, 'piston-ring').working.lines.find(({ what }) => what === 'Moved since')!
    expect(moved.formula).to.contain('less 20 % rinses')
  })
})
