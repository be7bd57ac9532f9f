import { expect } from 'chai'
import fc from 'fast-check'
import { kindById } from '../../../src/core/kinds/index.ts'
import { type Kind, withGroups, withOptions } from '../../../src/core/kinds/kind.ts'
import type { Chosen } from '../../../src/core/procedures/lane.ts'
import { lanesTogether } from '../../../src/core/procedures/lanes.ts'
import { offeredTo } from '../../../src/core/procedures/offered.ts'
import { planRun } from '../../../src/core/procedures/plan.ts'
import { insideNow, runEntries } from '../../../src/core/procedures/run-record.ts'
import { raisedIds } from '../../core/procedures/raised-ids.ts'
import { told } from '../ledger/told.ts'
import { wellRun } from './well-run.ts'

const three = withOptions(withGroups(kindById('c2')!, 3), new Map())
const all: Chosen[] = offeredTo(three, 'exchanger').flatMap(({ procedure, refused }) =>
  refused ? [] : procedure.ways.map((way) => ({ procedure, way })),
)
const chosen = (id: string, way: string): Chosen =>
  all.find((chosen) => chosen.procedure.id === id && chosen.way.id === way)!

/** What a well-played run at some groups leaves, as `task` or `task group`. */
function datedAt(job: Chosen, kind: Kind, groups: number[]): string[] {
  const lanes = lanesTogether([job], kind, groups)
  const state = wellRun(lanes)
  expect(insideNow(lanes, state), job.procedure.id).to.deep.equal([])
  return runEntries([job], lanes, state, kind, raisedIds).flatMap(({ kind: entry, body }) =>
    ['cleaned', 'greased', 'checked', 'serviced', 'descaled'].includes(entry)
      ? [`${told({ body }).task}${told({ body }).group ? ` ${told({ body }).group}` : ''}`]
      : [],
  )
}

describe('a job at some of the groups', () => {
  const backflush = chosen('detergent-backflush', 'one-scoop-even-strokes')

  it('is led at those alone, and dates those alone', () => {
    const lanes = lanesTogether([backflush], three, [2])
    expect(new Set(lanes.map(({ group }) => group))).to.deep.equal(new Set([2, null]))
    expect(datedAt(backflush, three, [2])).to.deep.equal(['detergent-backflush 2'])
    expect(datedAt(backflush, three, [1, 3])).to.deep.equal(['detergent-backflush 1', 'detergent-backflush 3'])
  })

  it('is the whole job where nobody leaves one out', () => {
    expect(lanesTogether([backflush], three, [1, 2, 3])).to.deep.equal(lanesTogether([backflush], three))
  })

  it('takes no longer than at all of them, whatever is done at whichever group', () => {
    fc.assert(
      fc.property(
        fc.nat(all.length - 1),
        fc.uniqueArray(fc.constantFrom(1, 2, 3), { minLength: 1, maxLength: 3 }),
        (n, groups) => {
          const some = planRun(lanesTogether([all[n]!], three, groups))
          const every = planRun(lanesTogether([all[n]!], three))
          expect(some.never).to.equal(every.never)
          expect(some.handsS).to.be.at.most(every.handsS + 1e-6)
          for (const { lane } of some.segments) {
            const place = /\/(\d+)$/.exec(lane)?.[1]
            const own = lanesTogether([all[n]!], three, groups).find(({ id }) => id === lane)!
            if (place && own.group !== null) expect(groups).to.include(Number(place))
          }
        },
      ),
      { numRuns: 150 },
    )
  })

  it('of the machine as a whole it is done only when it was done at every group', () => {
    for (const job of all) {
      const perGroup = job.procedure.writes.some(({ each }) => each === 'group')
      const lanes = lanesTogether([job], three)
      if (!perGroup || lanes.every(({ group }) => group === null)) continue
      const ofAll = datedAt(job, three, [1, 2, 3])
      const ofOne = datedAt(job, three, [2])
      const machineWide = ofAll.filter((line) => !/ \d$/.test(line))
      for (const line of ofOne) if (!/ \d$/.test(line)) expect(machineWide, job.procedure.id).to.include(line)
      expect(
        ofOne.filter((line) => / [13]$/.test(line)),
        job.procedure.id,
      ).to.deep.equal([])
    }
  })

  it('a bath for one group is still made, used and poured away', () => {
    const soak = chosen('dispersion-block', 'off-and-soaked')
    const steps = lanesTogether([soak], three, [3]).flatMap((lane) => lane.steps.flatMap(({ bath }) => bath ?? []))
    expect(steps).to.deep.equal(['made', 'in', 'out', 'poured'])
    expect(datedAt(soak, three, [3])).to.deep.equal(['dispersion-block-clean 3'])
  })
})
