import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, type Task, withOptions } from '../../../src/core/kinds/kind.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import type { Procedure, Way } from '../../../src/core/procedures/procedure.ts'
import { runEntries } from '../../../src/core/procedures/run-record.ts'
import { addMonths, fromDay, toDay } from '../../../src/core/quantity/local-day.ts'
import { reckonMachine } from '../../../src/core/standing/reckon-machine.ts'
import type { Standing } from '../../../src/core/standing/standing.ts'
import { raisedIds } from '../../core/procedures/raised-ids.ts'
import { entry, ledgers, steadyReadings, takenOn } from '../standing/a-history.ts'
import { offers, wellRun } from './well-run.ts'
import { expected } from './what-is-written.ts'

/** Taken on, read every Monday at ten drinks a day, and worked on at the last reading. */
const [taken, worked] = ['2025-01-06', '2026-06-01']
const perDay = 10

/** What the water and a standstill ask for: reckoned from other things than a task’s own clocks. */
const raised = ['descale', 'boiler-flush', 'restart', 'release']

const historyOf = (kind: Kind) => [takenOn(kind.id, taken), ...steadyReadings(taken, worked, 7 * perDay)]

const before = new Map(
  kinds.map((kind) => [
    kind.id,
    new Map(reckonMachine(ledgers(historyOf(kind)))!.standings.map((standing) => [standing.key, standing])),
  ]),
)

/** The standings after a run played well to its end. */
function afterRun(kind: Kind, procedure: Procedure, way: Way): Map<string, Standing> {
  const lanes = lanesOf(procedure, way, kind)
  const drafts = runEntries([{ procedure, way }], lanes, wellRun(lanes), kind, raisedIds).filter(({ of }) => !of)
  const entries = drafts.map((draft) => entry(draft.kind, worked, draft.body))
  const standings = reckonMachine(ledgers([...historyOf(kind), ...entries]))!.standings
  return new Map(standings.map((standing) => [standing.key, standing]))
}

/** The day a task comes round by months and drinks alone, reckoned here by hand; null where it has other clocks. */
function byHand({ limits, each }: Task, kind: Kind, index: number | undefined): number | null {
  const clocks = Object.keys(limits)
  if (clocks.some((clock) => clock !== 'months' && clock !== 'shots')) return null
  const share = each === 'group' ? kind.groupShares[(index ?? 1) - 1]! : 1
  const days = [
    ...(limits.months ? [addMonths(toDay(worked), limits.months.usual)] : []),
    ...(limits.shots ? [toDay(worked) + limits.shots.usual / (perDay * share)] : []),
  ]
  return Math.min(...days)
}

/** Tasks of a row as keys of standings: `task`, `task@1`. */
const keysOf = (dates: string[]): Set<string> =>
  new Set(dates.filter((line) => !line.includes('(')).map((line) => line.replace(' @', '@')))

describe('what moves when a job is done', () => {
  for (const row of expected)
    it(`${row.procedure}, ${row.way}: what it dates, and nothing else`, () => {
      for (const plain of kinds) {
        const dates = row.dates[plain.id]
        if (!dates) continue
        const kind = withOptions(plain, new Map())
        const procedure = offers(kind).find(({ id }) => id === row.procedure)!
        const after = afterRun(kind, procedure, procedure.ways.find(({ id }) => id === row.way)!)
        const keys = keysOf(dates)
        for (const [key, was] of before.get(kind.id)!) {
          if (raised.includes(was.task)) continue
          const name = `${kind.id}: ${key} after ${row.procedure}, ${row.way}`
          const now = after.get(key)
          if (!keys.has(key) && !keys.has(was.task)) {
            // What was not done is due when it was due.
            expect(now?.due, name).to.deep.equal(was.due)
            expect(now?.since, name).to.equal(was.since)
            continue
          }
          expect(now?.since, name).to.equal(worked)
          expect(now?.sinceKnown, name).to.equal(true)
          const task = kind.tasks.find(({ id, variant }) => id === was.task && variant === undefined)!
          const due = byHand(task, kind, was.index)
          if (due === null || !now?.due) continue
          // A count’s middle day is known to about a reading’s own step.
          expect(
            Math.abs(toDay(now.due.p50) - due),
            `${name}: ${now.due.p50}, by hand ${fromDay(Math.round(due))}`,
          ).to.be.at.most(task.limits.shots ? 7 : 1)
        }
      }
    })

  it('holds a date for every task a technician does by a procedure', () => {
    const dated = new Set(expected.flatMap(({ dates }) => Object.values(dates).flatMap((lines) => [...keysOf(lines)])))
    expect(dated.size).to.be.at.least(40)
  })
})
