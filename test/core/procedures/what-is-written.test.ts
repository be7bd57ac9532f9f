import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import { type Procedure, type Way, writtenBy } from '../../../src/core/procedures/procedure.ts'
import { runStep, startRun } from '../../../src/core/procedures/run.ts'
import { insideNow, runEntries } from '../../../src/core/procedures/run-record.ts'
import type { RunState } from '../../../src/core/procedures/run-state.ts'
import { raisedIds } from '../../core/procedures/raised-ids.ts'
import { told } from '../ledger/told.ts'
import { offers, wellRun } from './well-run.ts'
import { type Expected, expected } from './what-is-written.ts'

interface Case {
  kind: Kind
  procedure: Procedure
  way: Way
}

const cases: Case[] = kinds.flatMap((plain) => {
  const kind = withOptions(plain, new Map())
  return offers(kind).flatMap((procedure) => procedure.ways.map((way) => ({ kind, procedure, way })))
})
const named = ({ kind, procedure, way }: Case) => `${kind.id}: ${procedure.id}, ${way.id}`
const rowOf = ({ procedure, way }: Case): Expected | undefined =>
  expected.find((row) => row.procedure === procedure.id && row.way === way.id)

const notDates = ['run', 'measured', 'removed', 'fitted', 'held']
/** Tasks a run dates: `task`, `task @1` at a group, the entry's own name where it is about what stands ahead. */
const datedBy = ({ kind, procedure, way }: Case, state: RunState): string[] =>
  runEntries([{ procedure, way }], lanesOf(procedure, way, kind), state, kind, raisedIds)
    .filter((draft) => !notDates.includes(draft.kind))
    .map(({ kind: entry, body, of }) => {
      const { task, group } = told({ body })
      return `${task ?? entry}${group === undefined ? '' : ` @${group}`}${of ? ` (${of})` : ''}`
    })

describe('what is written when a job is done', () => {
  it('is written down for every procedure, way and kind, and for nothing that is not there', () => {
    const missing = cases.filter((one) => !rowOf(one)?.dates[one.kind.id]).map(named)
    expect(missing, 'no row').to.deep.equal([])
    const offered = new Set(cases.map(named))
    const ghosts = expected.flatMap(({ procedure, way, dates }) =>
      Object.keys(dates)
        .map((kind) => `${kind}: ${procedure}, ${way}`)
        .filter((name) => !offered.has(name)),
    )
    expect(ghosts, 'rows without a way').to.deep.equal([])
  })

  for (const row of expected)
    it(`${row.procedure}, ${row.way}: ${row.why}`, () => {
      const here = cases.filter((one) => rowOf(one) === row)
      expect(here.length).to.be.above(0)
      for (const one of here) {
        const lanes = lanesOf(one.procedure, one.way, one.kind)
        const inside = new Set<string>()
        const state = wellRun(lanes, (now) => {
          for (const { of } of insideNow(lanes, now)) inside.add(of)
        })
        expect(datedBy(one, state).sort(), named(one)).to.deep.equal([...row.dates[one.kind.id]!].sort())
        expect([...inside].sort(), `${named(one)}: inside`).to.deep.equal([...(row.inside ?? [])].sort())
        expect(insideNow(lanes, state), `${named(one)}: left`).to.deep.equal([])
        const steps = lanes.flatMap((lane) => lane.steps)
        const taken = [...new Set(steps.flatMap(({ takes }) => takes ?? []))]
        expect(taken.sort(), `${named(one)}: takes`).to.deep.equal([...(row.takes ?? [])].sort())
        for (const thing of taken) {
          const given = steps.filter(({ gives }) => gives?.includes(thing)).length
          expect(given, `${named(one)}: gives back ${thing}`).to.be.above(0)
        }
      }
    })
})

describe('what is not done is not written', () => {
  it('thrown away at its first step, a run dates nothing', () => {
    for (const one of cases) {
      const lanes = lanesOf(one.procedure, one.way, one.kind)
      const state = runStep(lanes, startRun(lanes, 0), { at: 1000, type: 'leave', reason: 'begun by mistake' })
      expect(datedBy(one, state), named(one)).to.deep.equal([])
    }
  })

  it('a step that makes a task done, left out, leaves the task as it was', () => {
    let tried = 0
    for (const one of cases)
      for (const { task, taskOf, by = [], of } of writtenBy(one.procedure, one.way))
        for (const step of by) {
          const lanes = lanesOf(one.procedure, one.way, one.kind)
          const there = lanes.flatMap((lane) => lane.steps).filter(({ id }) => id.endsWith(`.${step}`))
          // A gate is never left out, and a soak runs out by itself.
          if (there.length === 0 || there.some(({ gate, act }) => gate || act === 'soak')) continue
          const state = wellRun(
            lanes,
            () => {},
            ({ id }) => id.endsWith(`.${step}`),
          )
          const name = taskOf?.[one.kind.basedOn ?? one.kind.id] ?? task
          const dated = datedBy(one, state).filter((line) => (of ? line.endsWith('(softener)') : line.startsWith(name)))
          expect(dated, `${named(one)}: without ${step}`).to.deep.equal([])
          tried += 1
        }
    expect(tried).to.be.above(80)
  })

  it('whatever is dated hangs on steps that are there: no task is dated by coming to the end alone', () => {
    for (const one of cases)
      for (const { task, by = [] } of writtenBy(one.procedure, one.way)) {
        // Nothing to hang on: then nothing is dated either, see above.
        const dated = rowOf(one)!.dates[one.kind.id]!.some((line) => line.startsWith(task))
        if (!dated) continue
        const ids = lanesOf(one.procedure, one.way, one.kind).flatMap((lane) => lane.steps.map(({ id }) => id))
        const there = by.filter((step) => ids.some((id) => id.endsWith(`.${step}`)))
        expect(there.length, `${named(one)}: ${task}`).to.be.above(0)
      }
  })

  it('one group done and the other not: the one is dated, the other is not', () => {
    for (const one of cases.filter(({ kind }) => kind.id === 'c2')) {
      const lanes = lanesOf(one.procedure, one.way, one.kind)
      const state = wellRun(lanes)
      const whole = datedBy(one, state)
      if (!whole.some((line) => line.endsWith('@2'))) continue
      // Group 2's own steps never happened.
      const second = new Set(lanes.filter(({ group }) => group === 2).map(({ id }) => id))
      const at = Object.fromEntries(Object.entries(state.at).map(([id, n]) => [id, second.has(id) ? 0 : n]))
      const half = { ...state, at, records: state.records.filter(({ lane }) => !second.has(lane)) }
      expect(datedBy(one, half).sort(), named(one)).to.deep.equal(whole.filter((line) => line.endsWith('@1')).sort())
    }
  })
})
