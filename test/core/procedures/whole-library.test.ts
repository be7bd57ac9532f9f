import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'
import { parseEntry } from '../../../src/core/ledger/parse-entry.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import { planRun } from '../../../src/core/procedures/plan.ts'
import type { Procedure, Way } from '../../../src/core/procedures/procedure.ts'
import { insideNow, runEntries } from '../../../src/core/procedures/run-record.ts'
import { raisedIds } from '../../core/procedures/raised-ids.ts'
import { told } from '../ledger/told.ts'
import { entry } from '../standing/a-history.ts'
import { offers, wellRun } from './well-run.ts'

/** Tasks that the water dates, not a kind's own list. */
const byTheWater = ['boiler-flush', 'descale', 'restart']

const cases = kinds.flatMap((plain) => {
  const kind = withOptions(plain, new Map())
  return offers(kind).flatMap((procedure) => procedure.ways.map((way) => ({ kind, procedure, way })))
})
const named = ({ kind, procedure, way }: { kind: Kind; procedure: Procedure; way: Way }) =>
  `${kind.id}: ${procedure.name.toLowerCase()}, ${way.name}`

describe('the whole library, on every kind by every way', () => {
  it('is more than two hundred ways through it', () => {
    expect(cases.length).to.be.greaterThan(200)
  })

  it('comes to its end, every step done once, nothing left inside, its entries accepted', () => {
    for (const one of cases) {
      const { kind, procedure, way } = one
      const lanes = lanesOf(procedure, way, kind)
      const state = wellRun(lanes)
      expect(state.ended!.how, named(one)).to.equal('done')
      expect(insideNow(lanes, state), named(one)).to.deep.equal([])
      const done = state.records.filter(({ how }) => how === 'done').map(({ lane, step }) => `${lane} ${step}`)
      const steps = lanes.flatMap((lane) => lane.steps.map(({ id }) => `${lane.id} ${id}`))
      expect([...done].sort(), named(one)).to.deep.equal([...steps].sort())
      for (const draft of runEntries([{ procedure, way }], lanes, state, kind, raisedIds)) {
        if (draft.of) continue
        const { kind: entryKind, body } = draft
        const subjectId = '01939000-0000-7000-8000-00000000000a'
        const parsed = parseEntry(entry(entryKind, '2026-11-26', body, { subjectId }))
        expect(parsed.ok ? [] : parsed.issues, `${named(one)}: ${entryKind}`).to.deep.equal([])
      }
    }
  })

  it('writes only tasks its kind has, at groups it has', () => {
    for (const one of cases) {
      const { kind, procedure, way } = one
      const lanes = lanesOf(procedure, way, kind)
      const written = runEntries([{ procedure, way }], lanes, wellRun(lanes), kind, raisedIds)
      const tasks = new Set([...kind.tasks, ...kind.parts].map(({ id }) => id))
      for (const { kind: entryKind, of, body: said } of written) {
        const body = told({ body: said })
        if (of || entryKind === 'run' || entryKind === 'measured' || !body.task) continue
        // What a kind has no clock for is on record all the same, under the name it has elsewhere.
        const known =
          tasks.has(String(body.task)) ||
          byTheWater.includes(String(body.task)) ||
          kinds.some((other) => other.tasks.some(({ id }) => id === body.task))
        expect(known, `${named(one)}: ${body.task}`).to.equal(true)
        if (body.group !== undefined) expect(Number(body.group)).to.be.within(1, kind.groups)
      }
    }
  })

  it('never has two things inside at one group at once, and acid never beside alkali', () => {
    for (const one of cases) {
      const lanes = lanesOf(one.procedure, one.way, one.kind)
      wellRun(lanes, (state) => {
        const inside = insideNow(lanes, state)
        const groups = inside.filter(({ of }) => of !== 'electrical').map(({ group }) => group)
        expect(new Set(groups).size, named(one)).to.equal(groups.length)
        const of = new Set(inside.map((held) => held.of))
        expect(of.has('descaler') && of.has('detergent'), named(one)).to.equal(false)
      })
    }
  })

  it('is planned in lanes that take no longer than one thing after the other', () => {
    for (const one of cases) {
      const lanes = lanesOf(one.procedure, one.way, one.kind)
      const apart = lanes.reduce((sum, lane) => sum + planRun([{ ...lane, after: [] }]).totalS, 0)
      expect(planRun(lanes).totalS, named(one)).to.be.at.most(apart + 1e-6)
    }
  })
})
