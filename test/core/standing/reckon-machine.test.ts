import { expect } from 'chai'
import fc from 'fast-check'
import { kinds } from '../../../src/core/kinds/index.ts'
import { addMonths, fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { entry, everyDay, ledgers, reading, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const months = (from: string, n: number) => fromDay(addMonths(toDay(from), n))

describe('reckoning a machine', () => {
  it('says nothing of a machine nobody took on, or whose kind is unknown', () => {
    expect(reckonMachine({})).to.equal(null)
    expect(reckonMachine(ledgers([reading('2026-01-01', 5)]))).to.equal(null)
    expect(reckonMachine(ledgers([takenOn('nonsense', '2026-01-01')]))).to.equal(null)
  })

  it('dates every task of every kind from the day it was taken on', () => {
    for (const kind of kinds) {
      const reckoned = reckonMachine(
        ledgers([takenOn(kind.id, '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 350)]),
      )!
      const without = reckoned.standings.filter((standing) => !standing.due || standing.uses.length === 0)
      expect(
        without.map((standing) => standing.key),
        kind.id,
        // Guides of a motor-driven group outlast what is forecast.
      ).to.deep.equal(kind.id === 'sp' ? ['guides'] : [])
      expect(new Set(reckoned.standings.map((standing) => standing.key)).size).to.equal(reckoned.standings.length)
      for (const standing of reckoned.standings.filter(({ due }) => due)) {
        expect(standing.due!.p10 <= standing.due!.p50 && standing.due!.p50 <= standing.due!.p90, standing.key).to.equal(
          true,
        )
        expect(standing.working.lines.length, standing.key).to.be.above(1)
        expect(standing.working.why, standing.key).to.be.a('string')
      }
    }
  })

  it('never shows a number that is none', () => {
    for (const kind of kinds) {
      for (const readings of [
        [],
        [reading('2026-02-01', 0)],
        steadyReadings('2026-01-05', '2026-06-01', 0),
        steadyReadings('2026-01-05', '2026-06-01', 7000),
      ]) {
        const text = JSON.stringify(reckonMachine(ledgers([takenOn(kind.id, '2026-01-05'), ...readings])))
        expect(text, kind.id).not.to.match(/NaN|Infinity|null/)
      }
    }
  })

  it('does not care in which order the entries are given', () => {
    const history = [
      takenOn('c2', '2026-01-05'),
      ...steadyReadings('2026-01-05', '2026-06-01', 1400),
      entry('fitted', '2026-03-02', { part: 'group-gasket', group: 1 }),
      entry('inspected', '2026-05-02', { part: 'group-gasket', group: 1, condition: 2 }),
      entry('cleaned', '2026-04-02', { task: 'inlet-strainer-clean' }),
      setting('machine', '2026-02-01', { setting: 'policy', policy: 'cautious' }),
    ]
    const expected = JSON.stringify(reckonMachine(ledgers(history)))
    fc.assert(
      fc.property(fc.shuffledSubarray(history, { minLength: history.length }), (shuffled) => {
        expect(JSON.stringify(reckonMachine(ledgers(shuffled)))).to.equal(expected)
      }),
      { numRuns: 30 },
    )
  })

  it('is never due earlier with fewer shots', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 400 }), fc.double({ min: 0.2, max: 1, noNaN: true }), (perDay, share) => {
        const due = (pace: number) =>
          new Map(
            reckonMachine(
              ledgers([takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-03-30', pace * 7)]),
            )!.standings.map((standing) => [standing.key, standing.due!.p50]),
          )
        const [fewer, more] = [due(Math.round(perDay * share)), due(perDay)]
        for (const [key, day] of more) expect(fewer.get(key)! >= day, key).to.equal(true)
      }),
      { numRuns: 25 },
    )
  })

  describe('shots', () => {
    const history = [takenOn('c2', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 1400)]

    it('are shared between the groups: 0.55 and 0.45 until somebody measures', () => {
      const [one, two] = ['basket@1', 'basket@2'].map((key) => standingOf(ledgers(history), key))
      const used = (standing: typeof one) => standing!.uses.find((use) => use.clock === 'shots')!.used
      expect(used(one)).to.be.closeTo(200 * 147 * 0.55, 250)
      expect(used(two) / used(one)).to.be.closeTo(0.45 / 0.55, 1e-9)
      const measured = ledgers([
        ...history,
        setting('machine', '2026-02-01', { setting: 'group-share', shares: [0.5, 0.5] }),
      ])
      expect(used(standingOf(measured, 'basket@1'))).to.equal(used(standingOf(measured, 'basket@2')))
    })

    it('count from the fitting, straight between the readings around it', () => {
      const fitted = ledgers([...history, entry('fitted', '2026-04-20', { part: 'basket', group: 1 })])
      const use = standingOf(fitted, 'basket@1').uses.find((one) => one.clock === 'shots')!
      expect(use.used).to.be.closeTo(200 * 42 * 0.55, 1)
      expect(standingOf(fitted, 'basket@1').since).to.equal('2026-04-20')
      expect(standingOf(fitted, 'basket@2').since).to.equal('2026-01-05')
    })

    it('tell the day a limit was passed, not only that it was', () => {
      const short = ledgers([
        ...history,
        setting('machine', '2026-01-06', { setting: 'life', task: 'basket', clock: 'shots', value: 5500 }),
      ])
      // 5,500 ÷ (200 × 0.55) = 50 open days after 5 January.
      expect(standingOf(short, 'basket@1').due).to.deep.equal({
        p10: '2026-02-23',
        p50: '2026-02-23',
        p90: '2026-02-23',
      })
      expect(standingOf(short, 'basket@1').governing).to.equal('shots')
    })

    it('go on across a board swap', () => {
      const swapped = ledgers([
        takenOn('sr', '2026-01-05'),
        ...steadyReadings('2026-01-05', '2026-03-30', 280, 5000),
        ...steadyReadings('2026-04-06', '2026-06-01', 280, 120),
      ])
      const reckoned = reckonMachine(swapped)!
      expect(reckoned.flags.map(({ kind }) => kind)).to.deep.equal(['reset'])
      const used = standingOf(swapped, 'piston-ring').uses.find((use) => use.clock === 'shots')!.used
      expect(used).to.be.closeTo(40 * 147, 60)
    })

    it('ignore a typing error, and say which', () => {
      const plain = [takenOn('sr', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 280)]
      const typo = ledgers([...plain, reading('2026-04-15', 57_000)])
      expect(standingOf(typo, 'piston-ring').due).to.deep.equal(standingOf(ledgers(plain), 'piston-ring').due)
      expect(reckonMachine(typo)!.flags).to.have.nested.property('[0].count', 57_000)
    })
  })

  describe('closures', () => {
    it('put off what counts shots and not what counts months', () => {
      const history = [takenOn('sr', '2026-01-05'), ...steadyReadings('2026-01-05', '2026-06-01', 280)]
      const shut = setting('site', '2026-05-01', { setting: 'closure', from: '2026-06-02', to: '2026-08-31' })
      const [open, closed] = [ledgers(history), ledgers(history, { site: [everyDay, shut] })]
      const days = (given: typeof open, key: string) => toDay(standingOf(given, key).due!.p50)
      expect(days(closed, 'nozzle-seals') - days(open, 'nozzle-seals')).to.equal(91)
      expect(days(closed, 'electrical-test')).to.equal(days(open, 'electrical-test'))
    })
  })

  describe('months', () => {
    it('are calendar months from the day it was done', () => {
      const done = ledgers([takenOn('c2', '2026-01-31'), entry('checked', '2026-03-31', { task: 'electrical-test' })])
      expect(standingOf(done, 'electrical-test').due!.p50).to.equal(months('2026-03-31', 12))
      expect(standingOf(done, 'electrical-test').governing).to.equal('months')
    })

    it('of a second-hand machine count from the day it came, and say that its age is unknown', () => {
      const second = standingOf(ledgers([takenOn('c2', '2026-01-31', false)]), 'vacuum-breaker')
      expect(second.sinceKnown).to.equal(false)
      expect(second.working.lines.map((line) => line.source)).to.include(
        'age unknown: counted from the day it was taken on',
      )
    })
  })

  describe('settings', () => {
    const history = [takenOn('c2', '2026-01-05')]
    const life = (level: 'machine' | 'site' | 'firm' | 'customer', value: number) =>
      setting(level, '2026-02-01', { setting: 'life', task: 'vacuum-breaker', clock: 'months', value })

    it('resolve nearest first: machine, site, customer, firm, catalogue', () => {
      const due = (around: Parameters<typeof ledgers>[1], machine = history) =>
        standingOf(ledgers(machine, around), 'vacuum-breaker').due!.p50
      expect(due({})).to.equal(months('2026-01-05', 24))
      expect(due({ firm: [life('firm', 10)] })).to.equal(months('2026-01-05', 10))
      expect(due({ firm: [life('firm', 10)], customer: [life('customer', 11)] })).to.equal(months('2026-01-05', 11))
      expect(due({ firm: [life('firm', 10)], site: [everyDay, life('site', 13)] })).to.equal(months('2026-01-05', 13))
      expect(due({ firm: [life('firm', 10)], site: [life('site', 13)] }, [...history, life('machine', 14)])).to.equal(
        months('2026-01-05', 14),
      )
    })

    it('are named in the working, with the level that set them', () => {
      const lines = standingOf(ledgers(history, { firm: [life('firm', 10)] }), 'vacuum-breaker').working.lines
      expect(lines.find((line) => line.adjust?.clock === 'months')).to.deep.include({
        value: 10,
        origin: 'setting',
        source: 'set for this firm, 2026-02-01',
      })
      const plain = standingOf(ledgers(history), 'safety-valve').working.lines
      expect(plain.find((line) => line.adjust)).to.deep.include({
        origin: 'default',
        mark: 'T',
        source: 'how early: usual, common practice',
      })
    })

    it('choose a policy: cautious is never later than usual, usual never later than long life', () => {
      for (const kind of kinds) {
        const due = (policy: string) =>
          new Map(
            reckonMachine(
              ledgers([takenOn(kind.id, '2026-01-05'), ...steadyReadings('2026-01-05', '2026-04-06', 350)], {
                firm: [setting('firm', '2026-01-01', { setting: 'policy', policy })],
              }),
            )!.standings.map((standing) => [standing.key, standing.due?.p50 ?? '9999']),
          )
        const [cautious, usual, long] = [due('cautious'), due('usual'), due('longLife')]
        for (const key of usual.keys()) {
          expect(cautious.get(key)! <= usual.get(key)!, `${kind.id} ${key}`).to.equal(true)
          expect(usual.get(key)! <= long.get(key)!, `${kind.id} ${key}`).to.equal(true)
        }
      }
    })

    it('retire a machine: nothing is due any more', () => {
      const retired = [...history, setting('machine', '2026-05-01', { setting: 'retired', on: '2026-05-01' })]
      expect(reckonMachine(ledgers(retired))!.standings).to.deep.equal([])
    })
  })

  describe('materials', () => {
    it('follow what was fitted last', () => {
      const rubber = ledgers([takenOn('c2', '2026-01-05')])
      expect(standingOf(rubber, 'group-gasket@1').name).to.equal('Group gasket, rubber')
      const silicone = ledgers([
        takenOn('c2', '2026-01-05'),
        entry('fitted', '2026-02-05', { part: 'group-gasket', group: 1, variant: 'silicone' }),
      ])
      const [one, two] = ['group-gasket@1', 'group-gasket@2'].map((key) => standingOf(silicone, key))
      expect(one).to.include({ name: 'Group gasket, silicone', since: '2026-02-05' })
      expect(one!.due!.p50).to.equal(months('2026-02-05', 12))
      expect(two!.name).to.equal('Group gasket, rubber')
    })
  })

  describe('upkeep', () => {
    it('of a part is reset by doing it, and by a new part', () => {
      const base = [takenOn('sr', '2026-01-05')]
      const grease = (extra: ReturnType<typeof entry>[]) =>
        standingOf(ledgers([...base, ...extra]), 'brew-unit-grease').since
      expect(grease([])).to.equal('2026-01-05')
      expect(grease([entry('greased', '2026-02-05', { task: 'brew-unit-grease' })])).to.equal('2026-02-05')
      expect(
        grease([
          entry('greased', '2026-02-05', { task: 'brew-unit-grease' }),
          entry('fitted', '2026-03-05', { part: 'brew-unit' }),
        ]),
      ).to.equal('2026-03-05')
      expect(grease([entry('greased', '2026-02-05', { task: 'something-else' })])).to.equal('2026-01-05')
    })

    it('of one group leaves the other alone, unless both were meant', () => {
      const base = [takenOn('c2', '2026-01-05')]
      const since = (extra: ReturnType<typeof entry>[]) =>
        ['dispersion-block-clean@1', 'dispersion-block-clean@2'].map(
          (key) => standingOf(ledgers([...base, ...extra]), key).since,
        )
      expect(since([entry('cleaned', '2026-02-05', { task: 'dispersion-block-clean', group: 2 })])).to.deep.equal([
        '2026-01-05',
        '2026-02-05',
      ])
      expect(since([entry('cleaned', '2026-02-05', { task: 'dispersion-block-clean' })])).to.deep.equal([
        '2026-02-05',
        '2026-02-05',
      ])
    })

    it('remembers the condition last seen, until the part is changed', () => {
      const seen = [
        takenOn('c2', '2026-01-05'),
        entry('inspected', '2026-02-05', { part: 'shower-screen', group: 1, condition: 3, note: 'oil film' }),
      ]
      expect(standingOf(ledgers(seen), 'shower-screen@1').condition).to.deep.equal({
        grade: 3,
        on: '2026-02-05',
        note: 'oil film',
      })
      expect(standingOf(ledgers(seen), 'shower-screen@2').condition).to.equal(undefined)
      const changed = [...seen, entry('fitted', '2026-03-05', { part: 'shower-screen', group: 1 })]
      expect(standingOf(ledgers(changed), 'shower-screen@1').condition).to.equal(undefined)
    })
  })

  describe('corrections', () => {
    it('move the date as if the wrong entry had never been', () => {
      const right = [takenOn('c2', '2026-01-05'), entry('fitted', '2026-03-05', { part: 'basket', group: 1 })]
      const wrong = entry('fitted', '2026-04-05', { part: 'basket', group: 1 })
      const corrected = [right[0]!, wrong, { ...right[1]!, supersedes: wrong.id }]
      expect(standingOf(ledgers(corrected), 'basket@1').due).to.deep.equal(standingOf(ledgers(right), 'basket@1').due)
      const withdrawn = [right[0]!, wrong, entry('withdrawn', '2026-04-06', {}, { supersedes: wrong.id })]
      expect(standingOf(ledgers(withdrawn), 'basket@1').since).to.equal('2026-01-05')
    })
  })
})
