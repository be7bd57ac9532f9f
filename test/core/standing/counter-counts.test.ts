import { expect } from 'chai'
import { effective } from '../../../src/core/standing/histories.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { machineKind } from '../../../src/core/standing/machine-kind.ts'
import { movesOf } from '../../../src/core/standing/moves-of.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { meanRate } from '../../../src/core/usage/rate.ts'
import { entryWords } from '../../../src/ui/entry-words.ts'
import { issuesOf } from '../ledger/told.ts'
import { ledgers, reading, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const counts = (unit: string, each: number) =>
  setting('machine', '2026-06-01', { setting: 'counter-counts', unit, each })
/** A grinder that is read once a week, in whatever its counter counts. */
const grinder = (aWeek: number, ...more: ReturnType<typeof setting>[]) =>
  ledgers([takenOn('gr', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', aWeek), ...more])

describe('a counter that counts something else than its kind does', () => {
  it('is reckoned as if it had shown what the kind counts: portions of 20 g as kilograms', () => {
    const inKg = reckonMachine(grinder(14))!
    const inPortions = reckonMachine(grinder(700, counts('portions', 0.02)))!
    expect(inPortions.use!.mean).to.be.closeTo(inKg.use!.mean, 1e-9)
    expect(inPortions.use!.sd).to.be.closeTo(inKg.use!.sd, 1e-9)
    expect(movesOf(inKg.standings, inPortions.standings)).to.deep.equal([])
    for (const standing of inPortions.standings) {
      const same = inKg.standings.find(({ key }) => key === standing.key)!
      expect(standing.uses.map(({ used }) => Math.round(used * 1e6))).to.deep.equal(
        same.uses.map(({ used }) => Math.round(used * 1e6)),
      )
    }
  })

  it('says what its counter shows, and the working says what one of it is', () => {
    const given = grinder(700, counts('portions', 0.02))
    expect(reckonMachine(given)!.counter).to.deep.include({ count: 14_700, unit: 'portions', each: 0.02 })
    const { lines } = standingOf(given, 'burrs').working
    expect(lines[0]).to.include({ what: 'Counter', value: 14_700, unit: 'portions' })
    const each = lines.findIndex(({ what }) => what === 'One of portions')
    expect(lines[each]).to.include({ value: 0.02, unit: 'kg' })
    const moved = lines.find(({ what }) => what === 'Moved since')!
    expect(moved).to.include({ value: 294, unit: 'kg', formula: `({1} − then) × {${each + 1}}` })
    const kind = machineKind(effective(given))
    expect(entryWords(reading('2026-05-25', 14_000), kind)).to.equal('Counter 14,000 portions')
  })

  it('judges what was read by what the counter shows: one too many digits is still kept apart', () => {
    const odd = reading('2026-06-02', 14_720_000)
    const { flags } = reckonMachine(grinder(700, counts('portions', 0.02), odd as never))!
    expect(flags.map(({ kind }) => kind)).to.deep.equal(['outlier'])
  })

  it('counts tens where a board shows tens, and ones again once somebody says so', () => {
    const shots = [takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 140)]
    const mean = (...more: ReturnType<typeof setting>[]) =>
      meanRate(machineFacts(effective(ledgers([...shots, ...more])))!.use.rate)
    const tens = counts('tens', 10)
    expect(mean(tens)).to.be.closeTo(mean() * 10, mean() * 0.05)
    const again = setting('machine', '2026-06-01', { setting: 'counter-counts', unit: 'shots', each: 1 })
    expect(mean(tens, again)).to.equal(mean())
  })

  it('is never nothing, nor less', () => {
    for (const each of [0, -1])
      expect(issuesOf('setting', { setting: 'counter-counts', unit: 'portions', each })).to.have.length(1)
  })
})
