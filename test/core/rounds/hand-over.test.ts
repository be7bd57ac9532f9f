import { expect } from 'chai'
import fc from 'fast-check'
import type { DayProblem } from '../../../src/core/rounds/day-problem.ts'
import { bestHandOver } from '../../../src/core/rounds/hand-over.ts'
import { walked } from '../../../src/core/rounds/walk.ts'

const always = [{ from: 0, to: 2000 }]
/** Places on a line, minutes apart; the last ones are homes. */
const onLine = (stops: number[], homes: number[], more: Partial<DayProblem> = {}): DayProblem => {
  const places = [...stops, ...homes]
  return {
    travelMin: places.map((a) => places.map((b) => Math.abs(a - b))),
    stops: stops.map((_, place) => ({ place, serviceMin: 30, open: always })),
    outings: homes.map((_, k) => ({ start: stops.length + k, end: stops.length + k, startMin: 480, endMin: 960 })),
    ...more,
  }
}
const all = () => true
const road = (problem: DayProblem, routes: readonly (readonly number[])[]) =>
  routes.reduce((sum, order, k) => sum + (walked(problem, problem.outings[k]!, order)?.travelMin ?? Number.NaN), 0)

describe('what one technician should give to another', () => {
  it('is the stop at the other’s door', () => {
    const problem = onLine([10, 95, 105], [0, 100])
    expect(bestHandOver(problem, [[0, 1], [2]], [], all)).to.deep.equal({
      moves: [{ stop: 1, from: 0, to: 1 }],
      savesMin: 160,
      more: 0,
      orders: new Map([
        [0, [0]],
        [1, [1, 2]],
      ]),
    })
  })

  it('is exchanged where neither day has room for one more', () => {
    const problem = onLine([90, 10], [0, 100])
    const full = { ...problem, stops: problem.stops.map((stop) => ({ ...stop, serviceMin: 270 })) }
    const found = bestHandOver(full, [[0], [1]], [], all)!
    expect(found.moves).to.have.deep.members([
      { stop: 0, from: 0, to: 1 },
      { stop: 1, from: 1, to: 0 },
    ])
    expect(found.savesMin).to.equal(320)
  })

  it('is first of all what does not fit at home, whatever road that costs', () => {
    const problem = onLine([10, 95, 105, 50], [0, 100])
    const found = bestHandOver(problem, [[0, 1], [2]], [{ stop: 3, of: 0 }], all)!
    expect(found.more).to.equal(1)
    expect(found.moves).to.deep.equal([{ stop: 3, from: 0, to: 1 }])
    expect(found.savesMin).to.equal(-100)
  })

  it('is nothing for a few minutes, nothing that may not move, and to nobody who does not know it', () => {
    expect(bestHandOver(onLine([10, 52], [0, 100]), [[0, 1], []], [], all)).to.equal(null)
    const problem = onLine([10, 95, 105], [0, 100])
    expect(bestHandOver(problem, [[0, 1], [2]], [], (stop) => stop !== 1)).to.equal(null)
    expect(bestHandOver({ ...problem, may: (_, outing) => outing === 0 }, [[0, 1], [2]], [], all)).to.equal(null)
  })

  it('saves what it says, can be driven, and no single stop given away saves more', () => {
    const place = fc.integer({ min: 0, max: 120 })
    const day = fc.record({
      stops: fc.array(place, { minLength: 2, maxLength: 7 }),
      homes: fc.array(place, { minLength: 2, maxLength: 3 }),
      whose: fc.array(fc.nat({ max: 2 }), { minLength: 7, maxLength: 7 }),
    })
    fc.assert(
      fc.property(day, ({ stops, homes, whose }) => {
        const problem = onLine(stops, homes)
        const routes = homes.map((_, k) => [...stops.keys()].filter((stop) => whose[stop]! % homes.length === k))
        fc.pre(routes.every((order, k) => walked(problem, problem.outings[k]!, order)))
        const found = bestHandOver(problem, routes, [], all)
        const now = road(problem, routes)
        if (found) {
          const then = routes.map((order, k) => found.orders.get(k) ?? order)
          expect(then.flat().sort()).to.deep.equal(routes.flat().sort())
          expect(now - road(problem, then)).to.be.closeTo(found.savesMin, 1e-9)
          for (const { stop, to } of found.moves) expect(then[to]).to.include(stop)
        }
        for (const [from, order] of routes.entries())
          for (const stop of order)
            for (const to of routes.keys())
              for (let at = 0; to !== from && at <= routes[to]!.length; at++) {
                const then = routes.map((one, k) =>
                  k === from ? one.filter((other) => other !== stop) : k === to ? one.toSpliced(at, 0, stop) : one,
                )
                const saved = now - road(problem, then)
                if (saved >= 10) expect(found!.savesMin).to.be.at.least(saved - 1e-9)
              }
      }),
      { numRuns: 120 },
    )
  })
})
