import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { lookShare } from '../../../src/core/wear/seen-condition.ts'
import { entry, everyDay, ledgers, standingOf, steadyReadings, takenOn } from './a-history.ts'

const over = (on: string, parts: 'unknown' | 'looks-right' | 'good', except?: string[]): Entry =>
  entry('taken-over', on, { parts, ...(except && { except }) })
const bought = takenOn('c2', '2019-03-12', false)
const counts = steadyReadings('2026-10-01', '2026-11-26', 900, 80_000)
const of = (...entries: Entry[]) => ledgers([bought, ...counts, ...entries], { site: [everyDay] })
const all = (...entries: Entry[]) => reckonMachine(of(...entries))!.standings
const overdue = (standings: ReturnType<typeof all>, on = '2026-11-28') =>
  standings.filter(({ due }) => due && due.p50 < on).map(({ key }) => key)

describe('a machine taken over in the middle of its life', () => {
  it('has nothing overdue, where it would have dozens by the day it was taken on', () => {
    // So it stood before anybody could say that ages are not known.
    expect(overdue(all()).length).to.be.above(40)
    expect(overdue(all(over('2026-11-28', 'unknown')))).to.deep.equal([])
  })

  it('makes one line of all that nobody knows the age of, near where something of it guards', () => {
    const look = standingOf(of(over('2026-11-28', 'unknown')), 'first-look')
    expect(look.name).to.match(/^First look, \d+ min: \d+ parts of unknown age$/)
    expect(look.minutes).to.be.within(30, 90)
    expect(look.due!.p50).to.equal('2026-12-19')
    expect(look.working.lines.map(({ source }) => source).join(' ')).to.contain('boiler safety valve')
    const gasket = standingOf(of(over('2026-11-28', 'unknown')), 'group-gasket@1')
    expect(gasket).to.include({ unseen: true, sinceKnown: false })
    expect(gasket.due).to.equal(undefined)
  })

  it('gives a part its date once it was seen: what its look stands for is used, the rest is left', () => {
    const seen = entry('inspected', '2026-11-28', { part: 'group-gasket', group: 1, condition: 2 })
    const before = standingOf(of(over('2026-11-28', 'unknown')), 'first-look')
    const given = of(over('2026-11-28', 'unknown'), seen)
    const gasket = standingOf(given, 'group-gasket@1')
    const anew = standingOf(
      of(over('2026-11-28', 'unknown'), entry('fitted', '2026-11-28', { part: 'group-gasket', group: 1 })),
      'group-gasket@1',
    )
    const days = (due: { p50: string }) => toDay(due.p50) - toDay('2026-11-28')
    expect(days(gasket.due!) / days(anew.due!)).to.be.closeTo(1 - lookShare(2), 0.1)
    expect(toDay(gasket.due!.p90) - toDay(gasket.due!.p10)).to.be.above(toDay(anew.due!.p90) - toDay(anew.due!.p10))
    const after = standingOf(given, 'first-look')
    const many = (name: string) => Number(/(\d+) parts/.exec(name)![1])
    expect(many(after.name)).to.equal(many(before.name) - 1)
    expect(standingOf(of(over('2026-11-28', 'unknown')), 'group-gasket@2').unseen).to.equal(true)
  })

  it('is due that day for one that was seen failed', () => {
    const failed = entry('inspected', '2026-11-20', { part: 'group-gasket', group: 1, condition: 4 })
    expect(standingOf(of(over('2026-11-28', 'unknown'), failed), 'group-gasket@1').due!.p50).to.equal('2026-11-20')
  })

  it('known good: a full service starts every clock that day, but none of what guards or what the law asks for', () => {
    const standings = all(over('2026-06-01', 'good'), over('2026-11-28', 'unknown'))
    const since = (key: string) => standings.find((one) => one.key === key)!
    expect(since('group-gasket@1')).to.include({ since: '2026-06-01', sinceKnown: true })
    expect(since('full-service')).to.include({ since: '2026-06-01', sinceKnown: true })
    for (const key of [
      'safety-valve',
      'vacuum-breaker',
      'cut-out',
      'electrical-test',
      'safety-look',
      'backflow-preventer-check',
    ])
      expect(since(key).unseen, key).to.equal(true)
    expect(since('first-look').due!.p50).to.equal('2026-12-19')
    expect(overdue(standings.filter(({ sinceKnown }) => !sinceKnown))).to.deep.equal([])
  })

  it('keeps what is on record: a part fitted before the service stays as old as it is', () => {
    const gasket = entry('fitted', '2026-01-10', { part: 'group-gasket', group: 2 })
    const cleaned = entry('cleaned', '2026-01-10', { task: 'inlet-strainer-clean' })
    const given = of(gasket, cleaned, over('2026-06-01', 'good'))
    expect(standingOf(given, 'group-gasket@2').since).to.equal('2026-01-10')
    expect(standingOf(given, 'inlet-strainer-clean').since).to.equal('2026-06-01')
  })

  it('all looks right: every part is as old as it looks, but for those that were marked', () => {
    const given = of(over('2026-11-20', 'unknown'), over('2026-11-28', 'looks-right', ['pump-head', 'group-gasket']))
    expect(standingOf(given, 'shower-screen@1').due!.p50 > '2026-11-28').to.equal(true)
    expect(standingOf(given, 'pump-head').unseen).to.equal(true)
    expect(standingOf(given, 'group-gasket@1').unseen).to.equal(true)
    expect(standingOf(given, 'safety-valve').unseen).to.equal(true)
    // Known of it last, the rest waits from the day of that look on.
    expect(standingOf(given, 'first-look').since).to.equal('2026-11-28')
  })

  it('says nothing more of a first look once all is seen, fitted or tested', () => {
    const pk = takenOn('pk', '2022-01-01', false)
    const kind = kinds.find(({ id }) => id === 'pk')!
    const done = kind.tasks
      .filter(({ by }) => by !== 'customer')
      .map((task) =>
        task.action === 'replace'
          ? entry('fitted', '2026-11-28', { part: task.part! })
          : entry(task.doneBy, '2026-11-28', { task: task.id }),
      )
    const keys = (...more: Entry[]) =>
      reckonMachine(ledgers([pk, over('2026-11-28', 'unknown'), ...more], { site: [everyDay] }))!.standings.map(
        ({ key }) => key,
      )
    expect(keys()).to.include('first-look')
    expect(keys(...done)).not.to.include('first-look')
  })

  it('holds for every kind: nothing overdue on the day it was taken over, one line for all that is not known', () => {
    for (const { id } of kinds) {
      const machine = [takenOn(id, '2016-01-01', false), over('2026-11-28', 'unknown')]
      const { standings } = reckonMachine(ledgers(machine, { site: [everyDay] }))!
      expect(overdue(standings), id).to.deep.equal([])
      expect(
        standings.filter(({ key }) => key === 'first-look'),
        id,
      ).to.have.length(1)
    }
  })

  it('reads the same in whatever order the entries came', () => {
    const entries = [bought, over('2026-06-01', 'good'), over('2026-11-28', 'unknown'), ...counts]
    const one = reckonMachine(ledgers(entries, { site: [everyDay] }))
    expect(reckonMachine(ledgers([...entries].reverse(), { site: [everyDay] }))).to.deep.equal(one)
  })
})
