import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { detergentRate } from '../../../src/core/standing/detergent-rate.ts'
import { effective, type Level } from '../../../src/core/standing/histories.ts'
import { hotHours } from '../../../src/core/standing/hot-hours.ts'
import { machineFacts } from '../../../src/core/standing/machine-facts.ts'
import { entry, ledgers, setting, standingOf, steadyReadings, takenOn } from './a-history.ts'

const from = '2025-06-02'
const weekdays = (openWeekdays: number[]) => setting('site', '2024-01-01', { setting: 'opening', openWeekdays })

function facts(kind: string, own: Entry[], around: Partial<Record<Level, Entry[]>> = {}) {
  const machine = [takenOn(kind, from), ...steadyReadings(from, '2026-06-01', 350), ...own]
  return machineFacts(effective(ledgers(machine, around)))!
}

describe('how often it is cleaned with detergent', () => {
  const typed = (level: Level, figure: Record<string, number>) =>
    setting(level, '2026-01-05', { setting: 'detergent', ...figure })
  const way = (procedure: string, way: string, every: Record<string, unknown>) =>
    setting('machine', '2026-01-05', { setting: 'way', procedure, way, every })

  it('is the catalogue’s where nobody said anything: a bar every open day', () => {
    expect(detergentRate(facts('c2', []))).to.deep.equal({ daily: 1, every: null, level: 'catalogue' })
    expect(detergentRate(facts('lv', []))!.every, 'at home by drinks').to.be.above(0)
  })

  it('is never of a kind that detergent does not go through', () => {
    expect(detergentRate(facts('gr', []))).to.equal(null)
  })

  it('is what somebody typed, nearest first; nought is never', () => {
    expect(detergentRate(facts('c2', [typed('machine', { perOpenDay: 2 })]))).to.deep.equal({
      daily: 2,
      every: null,
      level: 'machine',
    })
    expect(detergentRate(facts('c2', [typed('machine', { perOpenDay: 0 })]))).to.equal(null)
    const firm = { firm: [typed('firm', { everyDrinks: 60 })] }
    expect(detergentRate(facts('c2', [], firm))).to.deep.equal({ daily: null, every: 60, level: 'firm' })
    expect(detergentRate(facts('c2', [typed('machine', { perOpenDay: 1 })], firm))!.level).to.equal('machine')
  })

  it('never by a way that says no rhythm', () => {
    const none = way('detergent-backflush', 'full-scoop-long-soak', {})
    expect(detergentRate(facts('c2', [none]))!.level).to.equal('catalogue')
  })
})

describe('hours it is hot', () => {
  const hot = (perOpenDay: number, perClosedDay: number) =>
    setting('machine', from, { setting: 'hot-hours', perOpenDay, perClosedDay })

  it('are not known where nobody said, and then months count', () => {
    expect(hotHours(facts('c2', []))).to.equal(null)
    const gasket = standingOf(
      ledgers([takenOn('c2', from), ...steadyReadings(from, '2026-06-01', 350)]),
      'group-gasket@1',
    )
    expect(gasket.uses.map(({ clock }) => clock)).to.include('months')
    expect(gasket.working.lines.some(({ what }) => /hot/i.test(what))).to.equal(false)
  })

  it('add up day by day, open days and closed days each by their own', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
        fc.integer({ min: 0, max: 24 }),
        fc.integer({ min: 0, max: 24 }),
        fc.integer({ min: 0, max: 90 }),
        (open, onOpen, onClosed, days) => {
          const known = facts('c2', [hot(onOpen, onClosed)], { site: [weekdays([...open].sort())] })
          const hours = hotHours(known)!
          // 2026-06-02 is a Tuesday; day numbers count from 1970-01-01, a Thursday.
          const start = Math.round(Date.parse('2026-06-02T00:00:00Z') / 86_400_000)
          let expected = 0
          for (let day = start; day < start + days; day += 1) {
            const weekday = new Date(day * 86_400_000).getUTCDay() || 7
            expected += open.includes(weekday) ? onOpen : onClosed
          }
          expect(hours.between(start, start + days)).to.equal(expected)
          expect(hours.perDay).to.be.closeTo((open.length * onOpen + (7 - open.length) * onClosed) / 7, 1e-9)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('find the first day by which so many have passed, and none where it is never hot', () => {
    const hours = hotHours(facts('c2', [hot(10, 2)], { site: [weekdays([1, 2, 3, 4, 5])] }))!
    const start = Math.round(Date.parse('2026-06-01T00:00:00Z') / 86_400_000)
    for (const many of [1, 10, 54, 55, 540, 3000]) {
      const day = hours.dayAfter(start, many)!
      expect(hours.between(start, day), `${many} h by then`).to.be.at.least(many)
      expect(hours.between(start, day - 1), `${many} h not a day before`).to.be.below(many)
    }
    expect(hotHours(facts('c2', [hot(0, 0)]))!.dayAfter(start, 1)).to.equal(null)
  })

  it('age the rubber: hot all night it is due sooner than hot in the morning', () => {
    const due = (open: number, closed: number) => {
      const machine = [takenOn('c2', from), ...steadyReadings(from, '2026-06-01', 70), hot(open, closed)]
      return standingOf(ledgers(machine), 'group-gasket@1').due!.p50
    }
    expect(due(24, 24) < due(4, 0)).to.equal(true)
  })
})

describe('when a thing was last done', () => {
  const machine = [takenOn('c2', from), ...steadyReadings(from, '2026-06-01', 350)]
  const since = (key: string, more: Entry[]) => {
    const standing = standingOf(ledgers([...machine, ...more]), key)
    return [standing.since, standing.sinceKnown]
  }
  const fitted = (on: string, group?: number) =>
    entry('fitted', on, { part: 'group-gasket', ...(group && { group }), variant: 'rubber' })

  it('is the day it was fitted at that group, and no other', () => {
    const one = [fitted('2026-02-10', 1)]
    expect(since('group-gasket@1', one)).to.deep.equal(['2026-02-10', true])
    expect(since('group-gasket@2', one)).to.deep.equal([from, true])
  })

  it('is the latest of several, in whatever order they were written', () => {
    expect(since('group-gasket@1', [fitted('2026-05-10', 1), fitted('2026-02-10', 1)])[0]).to.equal('2026-05-10')
  })

  it('a withdrawn one was never done', () => {
    const wrong = fitted('2026-05-10', 1)
    const back = entry('withdrawn', '2026-05-11', {}, { supersedes: wrong.id })
    expect(since('group-gasket@1', [fitted('2026-02-10', 1), wrong, back])[0]).to.equal('2026-02-10')
  })

  it('a used machine’s parts are counted from the day it came, and said as not known', () => {
    const used = [takenOn('c2', from, false), ...steadyReadings(from, '2026-06-01', 350, 120_000)]
    const standing = standingOf(ledgers(used), 'group-gasket@2')
    expect([standing.since, standing.sinceKnown]).to.deep.equal([from, false])
  })
})
