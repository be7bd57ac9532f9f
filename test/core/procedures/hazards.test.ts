import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { type Kind, withOptions } from '../../../src/core/kinds/kind.ts'
import { lanesOf } from '../../../src/core/procedures/lanes.ts'
import { conditionAt } from '../../../src/core/procedures/standing.ts'
import type { Step } from '../../../src/core/procedures/step.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { hazardsAt } from './hazards-at.ts'
import { notPassed } from './not-passed.ts'
import { offers } from './well-run.ts'

/** Every step of every way on every kind, with how the machine stands there. */
function* allSteps(): Generator<{
  kind: Kind
  procedure: string
  name: string
  id: string
  step: Step
  at: Record<string, string>
}> {
  for (const plain of kinds) {
    const kind = withOptions(plain, new Map())
    for (const procedure of offers(kind))
      for (const way of procedure.ways) {
        const lanes = lanesOf(procedure, way, kind).filter(({ group, side }) => (group ?? 1) === 1 && (side ?? 1) === 1)
        const steps = lanes.flatMap((lane) => lane.steps)
        for (const [i, step] of steps.entries())
          yield {
            kind,
            procedure: procedure.id,
            name: `${kind.id}: ${procedure.id}, ${way.id}: ${step.id}`,
            id: step.id.slice(step.id.indexOf('.') + 1),
            step,
            at: conditionAt(steps, i),
          }
      }
  }
}
const hazardsOf = ({ caution, besides = [] }: Step): string[] =>
  [caution, ...besides].flatMap((one) => (one ? [one.hazard] : []))

describe('cautions stand where it can hurt', () => {
  it('at every step of the list, whatever the way and the kind', () => {
    let seen = 0
    for (const { procedure, id, step, name } of allSteps()) {
      const wanted = hazardsAt[procedure]?.[id]?.split(' ') ?? []
      for (const hazard of wanted) expect(hazardsOf(step), name).to.include(hazard)
      seen += wanted.length
    }
    expect(seen).to.be.above(1900)
  })

  it('for every procedure; what only sets a figure by keys hurts nobody', () => {
    const harmless = ['set-hardness', 'set-energy', 'set-factory']
    expect(procedures.filter(({ id }) => !hazardsAt[id]).map(({ id }) => id)).to.deep.equal(harmless)
    const ids = new Map(
      procedures.map(({ id, ways }) => [
        id,
        new Set(ways.flatMap(({ parts }) => parts.flatMap(({ steps }) => steps.map((step) => step.id)))),
      ]),
    )
    for (const [procedure, steps] of Object.entries(hazardsAt))
      for (const step of Object.keys(steps))
        expect(ids.get(procedure)?.has(step), `${procedure}: ${step}`).to.equal(true)
  })

  it('acid and alkali are never handled without a word of them', () => {
    for (const { step, name } of allSteps()) {
      if (step.act !== 'dose') continue
      const wanted = { descaler: 'acid', detergent: 'detergent', 'milk-cleaner': 'milk', sanitiser: 'acid' }[
        step.dose.of as string
      ]
      if (wanted === 'acid')
        expect(
          hazardsOf(step).some((one) => one === 'acid' || one === 'detergent'),
          name,
        ).to.equal(true)
      else if (wanted) expect(hazardsOf(step), name).to.include(wanted)
    }
  })

  it('whoever opens a case is told of the mains before, and finds it dead', () => {
    for (const { step, name, at } of allSteps())
      if (step.state?.cover === 'open' && !step.qualified) {
        expect(at.power, name).to.equal('dead')
        expect(step.gate, name).to.equal(true)
      }
  })

  it('what runs open is for qualified people, and says that it is live', () => {
    for (const { step, name, at } of allSteps())
      if (at.cover === 'open' && at.power !== 'dead') {
        expect(step.qualified, name).to.equal(true)
        expect(hazardsOf(step), name).to.include('live')
      }
  })
})

describe('what is not as it should be', () => {
  it('never passes: it ends the run, goes back, or leaves the machine held', () => {
    let seen = 0
    for (const { procedure, id, step, name } of allSteps()) {
      const wanted = notPassed[procedure]?.[id]
      if (step.act !== 'check') continue
      for (const answer of step.answers) {
        const follows = answer.keeps
          ? 'held'
          : answer.leads === 'stop'
            ? 'ends'
            : answer.leads === 'repeat'
              ? `again ${answer.from!.slice(answer.from!.indexOf('.') + 1)}`
              : 'passes'
        expect((wanted?.[answer.id] ?? 'passes').split(' or '), `${name}: ${answer.id}`).to.include(follows)
        if (follows !== 'passes') seen += 1
      }
      // Something always lets a run go on, or nobody could end it well.
      expect(
        step.answers.some(({ leads }) => leads === 'pass'),
        name,
      ).to.equal(true)
    }
    expect(seen).to.be.above(800)
  })

  it('says why, wherever it ends or is done again', () => {
    for (const { step, name } of allSteps())
      if (step.act === 'check')
        for (const { leads, because, id } of step.answers)
          if (leads !== 'pass') expect((because ?? '').length, `${name}: ${id}`).to.be.at.least(9)
  })

  it('goes back only to a step before it', () => {
    for (const { kind, procedure, name, step } of allSteps()) {
      if (step.act !== 'check') continue
      const found = offers(kind).find((one) => one.id === procedure)!
      const part = step.id.split('.')[0]!
      for (const { from } of step.answers) {
        if (!from) continue
        const orders = found.ways.flatMap(({ parts }) =>
          parts.filter(({ id }) => id === part).map(({ steps }) => steps.map(({ id }) => `${part}.${id}`)),
        )
        const order = orders.find((ids) => ids.includes(from) && ids.includes(step.id))!
        expect(order.indexOf(from), `${name} from ${from}`).to.be.at.most(order.indexOf(step.id))
      }
    }
  })
})
