import { expect } from 'chai'
import { toDay } from '../../../src/core/quantity/local-day.ts'
import { daysBehind } from '../../../src/core/standing/behind-softener.ts'
import { effective } from '../../../src/core/standing/histories.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import { reckonSoftener } from '../../../src/core/standing/reckon-softener.ts'
import { entry, everyDay, ledgers, reading, setting, steadyReadings, takenOn } from './a-history.ts'

const moved = (on: string, body: Record<string, unknown>) => entry('moved', on, body)

describe('a machine that moved', () => {
  const busy = [takenOn('sr', '2025-06-02'), ...steadyReadings('2025-06-02', '2026-03-02', 700)]

  it('keeps its count and learns its use anew', () => {
    const last = 700 * 39
    const history = [
      ...busy,
      moved('2026-03-02', { fromSiteId: 'a', toSiteId: 'b' }),
      reading('2026-03-30', last + 28 * 20),
      reading('2026-04-27', last + 56 * 20),
    ]
    const there = reckonMachine(ledgers(history))!
    expect(there.counter!.count).to.equal(last + 56 * 20)
    expect(there.use!.mean, 'twenty a day at the new place, not a hundred').to.be.within(18, 23)
    expect(there.flags).to.deep.equal([])
    const stayed = reckonMachine(ledgers(history.filter(({ kind }) => kind !== 'moved')))!
    expect(stayed.use!.mean).to.be.above(there.use!.mean + 5)
  })

  it('is not held to the old pace when the new one is far higher', () => {
    const slow = [takenOn('sr', '2025-06-02'), ...steadyReadings('2025-06-02', '2026-03-02', 35)]
    const first = reading('2026-03-09', 35 * 39 + 7 * 60)
    const flagged = reckonMachine(ledgers([...slow, first]))!
    expect(flagged.flags.map(({ kind }) => kind)).to.deep.equal(['outlier'])
    const history = [...slow, moved('2026-03-02', { fromSiteId: 'a', toSiteId: 'b' }), first]
    expect(reckonMachine(ledgers(history))!.flags).to.deep.equal([])
  })

  it('only re-plumbed, keeps its pace', () => {
    const replumbed = [...busy, moved('2026-03-02', { fromSiteId: 'a', toSiteId: 'a', toSoftenerId: 's' })]
    expect(reckonMachine(ledgers(replumbed))!.use!.mean).to.be.closeTo(reckonMachine(ledgers(busy))!.use!.mean, 0.01)
  })
})

describe('water through a softener', () => {
  const behind = (...entries: Parameters<typeof ledgers>[0]) => daysBehind(effective(ledgers(entries)), 's')

  it('is counted for the days a machine was behind it', () => {
    const always = { from: Number.NEGATIVE_INFINITY, to: Number.POSITIVE_INFINITY }
    const day = toDay('2026-03-02')
    expect(behind()).to.deep.equal([always])
    expect(behind(moved('2026-03-02', { fromSoftenerId: 's', toSiteId: 'b' }))).to.deep.equal([{ ...always, to: day }])
    expect(behind(moved('2026-03-02', { toSoftenerId: 's', toSiteId: 'b' }))).to.deep.equal([{ ...always, from: day }])
    expect(
      behind(
        moved('2026-03-02', { fromSoftenerId: 's', toSiteId: 'b' }),
        moved('2026-03-12', { toSoftenerId: 's', toSiteId: 'a' }),
      ),
    ).to.deep.equal([
      { ...always, to: day },
      { from: day + 10, to: always.to },
    ])
  })

  it('adds up over machines that come and go', () => {
    const softener = {
      softener: [
        entry(
          'commissioned',
          '2025-06-02',
          { kind: 'exchanger', kindVersion: 1, partsNew: true },
          { subjectKind: 'softener', subjectId: 's' },
        ),
        setting('softener', '2025-06-02', { setting: 'exchanger', resinL: 8 }),
        entry('regenerated', '2026-01-05', {}, { subjectKind: 'softener', subjectId: 's' }),
      ],
      site: [
        everyDay,
        entry(
          'water-test',
          '2026-01-05',
          { point: 'raw', quantity: 'total', method: 'figure', unit: 'dH', value: 15 },
          { subjectKind: 'site' },
        ),
      ],
    }
    const readings = steadyReadings('2025-06-02', '2026-03-02', 700)
    const drawn = (...fed: Parameters<typeof ledgers>[0][]) =>
      reckonSoftener(
        softener,
        fed.map((machine) => ledgers(machine)),
      )!.standings[0]!.uses.find(({ clock }) => clock === 'litres')!
    const one = drawn([takenOn('c2', '2025-06-02'), ...readings])
    const left = [takenOn('c2', '2025-06-02'), ...readings, moved('2026-02-02', { fromSoftenerId: 's', toSiteId: 'b' })]
    const both = drawn([takenOn('c2', '2025-06-02'), ...readings], left)
    // 28 of the 56 days since the regeneration, at the same pace.
    expect(both.used).to.be.closeTo(one.used * 1.5, one.used * 0.02)
    expect(both.perDay, 'what left draws no more').to.be.closeTo(one.perDay, 1e-9)
    const came = [takenOn('c2', '2025-06-02'), ...readings, moved('2026-02-02', { toSoftenerId: 's', toSiteId: 'a' })]
    expect(drawn(came).used, 'what it drew elsewhere is not this softener’s').to.be.closeTo(
      one.used / 2,
      one.used * 0.02,
    )
  })
})
