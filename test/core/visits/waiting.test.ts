import { expect } from 'chai'
import type { RecordedEntry } from '../../../src/core/ledger/entry.ts'
import { planFiguresOf, usualPlanFigures } from '../../../src/core/visits/plan-figures.ts'
import { usualWeekday } from '../../../src/core/visits/usual-weekday.ts'
import { mayBeDone, stillWaits, waitingTasks } from '../../../src/core/visits/waiting.ts'

let made = 0
const said = (body: object, on = '2026-11-20', more: object = {}): RecordedEntry => {
  made += 1
  const id = `0193${String(made).padStart(4, '0')}-0000-7000-8000-000000000000`
  const at = `${on}T09:00:00.000Z`
  return {
    ...{
      id,
      seq: made,
      subjectKind: 'machine',
      subjectId: 'left-bar',
      kind: 'setting',
      happenedAt: at,
      happenedOn: on,
    },
    ...{ recordedAt: at, recordedBy: 'ines', body: { v: 1, setting: 'waits', ...body } },
    ...more,
  } as unknown as RecordedEntry
}

describe('a task that waits', () => {
  it('waits for what was said last of it, each task by itself, until it is said to wait no longer', () => {
    const first = said({ task: 'gasket@1', for: 'part', until: '2026-12-03' })
    const other = said({ task: 'descale', for: 'yes', note: 'The bursar' })
    const waiting = waitingTasks([first, other, said({ task: 'gasket@1', for: 'price' }, '2026-11-21')])
    expect(Object.fromEntries(waiting)).to.deep.equal({
      'left-bar gasket@1': { for: 'price', saidOn: '2026-11-21' },
      'left-bar descale': { for: 'yes', saidOn: '2026-11-20', note: 'The bursar' },
    })
    expect([...waitingTasks([first, said({ task: 'gasket@1' }, '2026-11-22')])]).to.deep.equal([])
  })

  it('does not wait by a saying that was withdrawn', () => {
    const first = said({ task: 'descale', for: 'part' })
    const withdrawn = said({}, '2026-11-21', {
      kind: 'withdrawn',
      supersedes: first.id,
      body: { v: 1, reason: 'slip' },
    })
    expect([...waitingTasks([first, withdrawn])]).to.deep.equal([])
  })

  it('comes back on its day by itself, and waits no more once it is done', () => {
    const waiting = { for: 'part', until: '2026-12-03', saidOn: '2026-11-20' } as const
    expect(mayBeDone(waiting, '2026-12-02')).to.equal(false)
    expect(mayBeDone(waiting, '2026-12-03')).to.equal(true)
    expect(mayBeDone({ for: 'yes', saidOn: '2026-11-20' }, '2030-01-01')).to.equal(false)
    expect(stillWaits(waiting, '2026-03-01')).to.equal(true)
    expect(stillWaits(waiting, undefined)).to.equal(true)
    expect(stillWaits(waiting, '2026-11-25')).to.equal(false)
    expect(stillWaits(undefined, '2026-03-01')).to.equal(false)
  })
})

describe('the weekday a place is usually visited on', () => {
  // 3, 10, 17 and 24 November 2026 are Tuesdays, as any calendar says.
  it('is the one that most of the last visits were on', () => {
    expect(usualWeekday(['2026-11-24', '2026-11-03', '2026-11-10'])).to.equal(2)
    expect(usualWeekday(['2026-11-03', '2026-11-10', '2026-11-12', '2026-11-17'])).to.equal(2)
  })

  it('is none where there are few, where they are spread, and where two visits were one day', () => {
    expect(usualWeekday([])).to.equal(null)
    expect(usualWeekday(['2026-11-03', '2026-11-10'])).to.equal(null)
    expect(usualWeekday(['2026-11-03', '2026-11-11', '2026-11-19', '2026-11-20'])).to.equal(null)
    expect(usualWeekday(['2026-11-03', '2026-11-03', '2026-11-03'])).to.equal(null)
  })

  it('forgets what was long ago', () => {
    const mondays = ['2026-09-07', '2026-09-14', '2026-09-21', '2026-09-28']
    const fridays = Array.from({ length: 8 }, (_, week) =>
      new Date(Date.UTC(2026, 9, 2 + 7 * week)).toISOString().slice(0, 10),
    )
    expect(usualWeekday([...mondays, ...fridays])).to.equal(5)
  })
})

describe('what visits are planned by', () => {
  it('is the firm’s own where it has one, each figure by itself', () => {
    const own = planFiguresOf({ stop: 25, kmhFar: 90, carryChance: 20 })
    expect(own.stopMin).to.equal(25)
    expect(own.roads.speeds).to.deep.equal([25, 45, 90])
    expect(own.carryChance).to.equal(0.2)
    expect({ ...own, stopMin: 15, roads: usualPlanFigures.roads, carryChance: 0.08 }).to.deep.equal(usualPlanFigures)
  })
})
