import { expect } from 'chai'
import fc from 'fast-check'
import type { Entry } from '../../../src/core/ledger/entry.ts'
import { longPastThinned, pastBefore, readWhole } from '../../../src/core/ledger/long-past.ts'
import { fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { asKept } from './told.ts'

const machineId = '01939000-0000-7000-8000-000000000001'
const firstDay = toDay('2014-03-01')

/** An entry of a day, told what it is; later ones of a day have later ids. */
const entryOn = (day: number, n: number, kind: Entry['kind'], body: object, supersedes?: string): Entry =>
  asKept({
    id: `01939000-0000-7000-8${String(day).padStart(3, '0').slice(-3)}-${String(n).padStart(12, '0')}`,
    subjectKind: 'machine',
    subjectId: machineId,
    kind,
    body,
    happenedAt: `${fromDay(day)}T09:00:00.000Z`,
    happenedOn: fromDay(day),
    ...(supersedes && { supersedes }),
  })

const taken = entryOn(firstDay, 0, 'commissioned', { kind: 'c2', kindVersion: 1, partsNew: true })
const reading = (day: number, n: number, count: number, apart: object = {}) =>
  entryOn(day, n, 'reading', { counter: 'shots', count, ...apart })

/** What a machine was told over the years: what is read is counted on, now and then put back or mistyped. */
const longLife = (most: number) =>
  fc
    .array(
      fc.record({
        daysOn: fc.integer({ min: 0, max: 5 }),
        drinks: fc.nat({ max: 300 }),
        what: fc.integer({ min: 0, max: 59 }),
      }),
      { minLength: 450, maxLength: most },
    )
    .map((steps): Entry[] => {
      const entries: Entry[] = [taken]
      let [day, count, n] = [firstDay, 20_000, 0]
      for (const { daysOn, drinks, what } of steps) {
        day += daysOn
        count += drinks
        n += 1
        if (what < 3) entries.push(entryOn(day, n, 'note', { text: `dry on day ${day}` }))
        else if (what < 20) entries.push(entryOn(day, n, 'cleaned', { task: what < 10 ? 'tray-clean' : 'backflush' }))
        else if (what === 20) entries.push(entryOn(day, n, 'fitted', { part: 'group-gasket', group: 1 }))
        else if (what === 21) entries.push(reading(day, n, count * 10))
        else if (what === 22) {
          count = drinks
          entries.push(reading(day, n, count))
        } else if (what === 23) entries.push(reading(day, n, count, { groups: [Math.round(count / 2), count >> 2] }))
        else if (what === 24) {
          const wrong = entries.at(-1)!
          if (wrong.kind === 'reading')
            entries.push(reading(day, n, count)) && Object.assign(entries.at(-1)!, { supersedes: wrong.id })
        } else entries.push(reading(day, n, count))
      }
      return entries
    })

const idsOf = (entries: Entry[]) => entries.map(({ id }) => id)

describe('a long past', () => {
  it('is none where not much was written: the list stays as it is', () => {
    const few = Array.from({ length: readWhole }, (_, i) => reading(firstDay + i, i, 100 * i))
    expect(pastBefore(few)).to.equal(null)
    expect(longPastThinned(few)).to.equal(few)
    const more = [...few, reading(firstDay + readWhole, readWhole, 100 * readWhole)]
    expect(pastBefore(more), 'the month of the oldest of the newest').to.equal('2014-03-01')
  })

  it('does not begin earlier for notes: nobody reckons with them', () => {
    const notes = Array.from({ length: 900 }, (_, i) => entryOn(firstDay + i, i, 'note', { text: 'dry' }))
    expect(pastBefore(notes)).to.equal(null)
  })

  it('keeps the last reading of a month and those beside a fall, a jump and a part that was changed', () => {
    const start = toDay('2020-01-01')
    const daily = (from: number, to: number, count: (day: number) => number) =>
      Array.from({ length: to - from }, (_, i) => reading(start + from + i, from + i, count(from + i)))
    const old = [
      ...daily(0, 40, (day) => 50 * day),
      // A new board on day 40; a slip of the finger on day 50.
      ...daily(40, 50, (day) => 50 * (day - 40)),
      reading(start + 50, 50, 90_000),
      ...daily(51, 91, (day) => 50 * (day - 40)),
      entryOn(start + 70, 9_999, 'fitted', { part: 'group-gasket', group: 1 }),
    ]
    const fresh = daily(100, 100 + readWhole + 30, (day) => 50 * (day - 40))
    const thin = longPastThinned([...old, ...fresh]).filter(({ happenedOn }) => happenedOn < fromDay(start + 91))
    const days = thin.map(({ happenedOn, kind }) => (kind === 'reading' ? toDay(happenedOn) - start : kind))
    // The first ever, end of January, the fall with two before it, the slip between its neighbours, end of February,
    // about the new gasket, end of March.
    expect(days).to.deep.equal([0, 30, 38, 39, 40, 49, 50, 51, 59, 70, 'fitted', 71, 90])
  })

  it('keeps the last dozen of work that was done again and again, and no notes', () => {
    const start = toDay('2020-01-01')
    const old = Array.from({ length: 60 }, (_, i) => [
      entryOn(start + i, 2 * i, 'cleaned', { task: 'backflush', group: 1 }),
      entryOn(start + i, 2 * i + 1, i % 2 ? 'note' : 'cleaned', i % 2 ? { text: 'fine' } : { task: 'tray-clean' }),
    ]).flat()
    const fresh = Array.from({ length: readWhole }, (_, i) => reading(start + 100 + i, 500 + i, 60 * i))
    const thin = longPastThinned([...old, ...fresh]).filter(({ kind }) => kind !== 'reading')
    const flushes = thin.filter((entry) => entry.kind === 'cleaned' && entry.body.task === 'backflush')
    expect(flushes.map(({ happenedOn }) => toDay(happenedOn) - start)).to.deep.equal(
      Array.from({ length: 12 }, (_, i) => 48 + i),
    )
    expect(thin).to.have.length(24)
  })

  it('keeps what corrects and what is corrected, however old', () => {
    const start = toDay('2020-01-01')
    const wrong = reading(start + 3, 3, 320)
    const right = { ...reading(start + 3, 4, 230), supersedes: wrong.id }
    const old = [0, 1, 2].map((i) => reading(start + i, i, 60 * i))
    const fresh = Array.from({ length: readWhole + 40 }, (_, i) => reading(start + 20 + i, 100 + i, 1000 + 60 * i))
    const thin = idsOf(longPastThinned([...old, wrong, right, ...fresh]))
    expect(thin).to.include.members([wrong.id, right.id])
    expect(thin).not.to.include(old[1]!.id)
  })

  it('is the same however often it was thinned on the way, whatever came when', () => {
    fc.assert(
      fc.property(longLife(1400), fc.array(fc.integer({ min: 1, max: 400 }), { maxLength: 4 }), (life, cuts) => {
        let kept: Entry[] = []
        let at = 0
        for (const size of [...cuts, life.length]) {
          const next = life.slice(at, at + size)
          at += size
          const before = pastBefore(kept)
          const reachesBack = (entry: Entry) =>
            before !== null &&
            (entry.happenedOn < before ||
              (entry.supersedes && !kept.some(({ id, happenedOn }) => id === entry.supersedes && happenedOn >= before)))
          // What reaches into the past makes it anew from the whole ledger, as the records do.
          kept = next.some(reachesBack) ? longPastThinned(life.slice(0, at)) : longPastThinned([...kept, ...next])
        }
        expect(idsOf(kept).sort()).to.deep.equal(idsOf(longPastThinned(life)).sort())
      }),
      { numRuns: 60 },
    )
  })

  it('leaves totals on the days it keeps as they were, and dates as good as they were', () => {
    fc.assert(
      fc.property(longLife(1400), (life) => {
        const whole = reckonMachine({ machine: life }, { showWorking: false })!
        const thin = reckonMachine({ machine: longPastThinned(life) }, { showWorking: false })!
        expect(thin.counter).to.deep.equal(whole.counter)
        expect(thin.asOf).to.equal(whole.asOf)
        expect(thin.standings.map(({ key }) => key)).to.deep.equal(whole.standings.map(({ key }) => key))
        for (const [i, { key, due }] of whole.standings.entries()) {
          const mine = thin.standings[i]!.due
          if (!due?.p50 || !mine?.p50) expect(mine?.p50 ?? null, key).to.equal(due?.p50 ?? null)
          else expect(Math.abs(toDay(mine.p50) - toDay(due.p50)), `${key} ${due.p50} ${mine.p50}`).to.be.at.most(7)
        }
      }),
      { numRuns: 20 },
    )
  })
})
