import { expect } from 'chai'
import { kinds } from '../../../src/core/kinds/index.ts'
import { withOptions } from '../../../src/core/kinds/kind.ts'
import { lanesOf, lanesTogether } from '../../../src/core/procedures/lanes.ts'
import { runStep, startRun } from '../../../src/core/procedures/run.ts'
import { handStep, stepNow } from '../../../src/core/procedures/run-state.ts'
import { procedures } from '../../../src/core/trade/procedures/index.ts'
import { gates } from './gates.ts'
import { offers } from './well-run.ts'

const ways = procedures.flatMap((procedure) =>
  procedure.ways.map((way) => ({ name: `${procedure.id}, ${way.id}`, procedure, way })),
)
const steps = (name: string) => {
  const { way } = ways.find((one) => one.name === name)!
  return way.parts.flatMap((part) => part.steps)
}

describe('what nobody passes by', () => {
  it('is listed for every way', () => {
    expect(Object.keys(gates).sort()).to.deep.equal(ways.map(({ name }) => name).sort())
  })

  for (const { name } of ways)
    it(`${name}: ${gates[name] || 'nothing'}`, () => {
      const own = [...new Set(steps(name).flatMap(({ gate, id }) => (gate ? [id] : [])))]
      expect(own.join(' ')).to.equal(gates[name])
    })

  it('stands before every opening: cut off before the case is open, the case shut before it is tried', () => {
    for (const { name } of ways) {
      const own = steps(name)
      const opened = own.findIndex(({ state }) => state?.cover === 'open')
      if (opened < 0) continue
      const dead = own.findIndex(({ state, gate }) => state?.power === 'dead' && gate)
      expect(dead, name).to.be.within(0, opened)
      const shut = own.findIndex(({ state }, i) => i > opened && state?.cover === 'shut')
      expect(shut, name).to.be.above(opened)
    }
  })

  it('is clear water wherever detergent or acid was inside', () => {
    for (const { name } of ways) {
      const own = steps(name)
      for (const [i, { puts }] of own.entries())
        if (puts === 'detergent' || puts === 'descaler')
          expect(
            own.slice(i).some(({ clears, gate }) => clears && gate),
            name,
          ).to.equal(true)
    }
  })

  it('holds against every press but its own: skipped, hurried or waited at, it stays', () => {
    let tried = 0
    for (const plain of kinds) {
      const kind = withOptions(plain, new Map())
      for (const procedure of offers(kind))
        for (const way of procedure.ways) {
          const lanes = lanesOf(procedure, way, kind)
          const at = lanes.findIndex((lane) => lane.steps[0]?.gate)
          if (at !== 0) continue
          const state = startRun(lanes, 0)
          const step = handStep(lanes, state)!
          expect(step.gate, `${kind.id}: ${procedure.id}`).to.equal(true)
          for (const press of [
            { type: 'skip', reason: 'no time' },
            { type: 'phase' },
            { type: 'enough', lane: lanes[0]!.id },
            { type: 'back' },
          ] as const) {
            const after = runStep(lanes, state, { at: 60_000, ...press })
            expect(stepNow(lanes[0]!, after)?.id, `${kind.id}: ${procedure.id}: ${press.type}`).to.equal(step.id)
          }
          tried += 1
        }
    }
    expect(tried).to.be.above(100)
  })

  it('is not lost when jobs are run together, nor at some of the groups', () => {
    const c2 = withOptions(kinds.find(({ id }) => id === 'c2')!, new Map())
    const jobs = ['detergent-backflush', 'parts-soak', 'steam-tip'].map((id) => {
      const procedure = offers(c2).find((one) => one.id === id)!
      return { procedure, way: procedure.ways[0]! }
    })
    const gatesOf = (lanes: ReturnType<typeof lanesOf>) =>
      lanes.flatMap((lane) => lane.steps.flatMap(({ gate, id }) => (gate ? [`${lane.id} ${id}`] : []))).sort()
    const apart = jobs.flatMap(({ procedure, way }) => lanesOf(procedure, way, c2))
    expect(gatesOf(lanesTogether(jobs, c2))).to.deep.equal(gatesOf(apart))
    const one = apart.filter(({ group }) => group === null || group === 2)
    expect(gatesOf(lanesTogether(jobs, c2, [2]))).to.deep.equal(gatesOf(one))
  })
})
