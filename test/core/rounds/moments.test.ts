import { expect } from 'chai'
import { diceOf } from '../../../src/core/quantity/dice.ts'
import type { DayProblem, Outing } from '../../../src/core/rounds/day-problem.ts'
import { momentsIn, momentsWhenLonger } from '../../../src/core/rounds/moments.ts'
import { putInto } from '../../../src/core/rounds/standing-order.ts'
import { walked } from '../../../src/core/rounds/walk.ts'

/** A day of some stops in the plane, the last of them the one that came by telephone. */
function anyDay(seed: number, many: number, endMin: number) {
  const dice = diceOf(seed)
  const at = Array.from({ length: many + 1 }, () => [dice.next() * 40, dice.next() * 40] as const)
  const travelMin = at.map(([x, y]) => at.map(([u, v]) => Math.hypot(x - u, y - v)))
  const stops = Array.from({ length: many }, (_, place) => {
    const from = 480 + Math.floor(dice.next() * 300)
    const open = dice.next() < 0.5 ? [{ from: 0, to: 2880 }] : [{ from, to: from + 60 + dice.next() * 240 }]
    return { place, serviceMin: 15 + Math.floor(dice.next() * 60), open }
  })
  const outing: Outing = {
    start: many,
    end: many,
    startMin: 480,
    endMin,
    rest: { minutes: 30, from: 690, to: 810 },
  }
  const problem: DayProblem = { travelMin, stops, outings: [outing] }
  const order: number[] = []
  for (let stop = 0; stop < many - 1; stop++) {
    const into = putInto(problem, outing, order, stop)
    if (into) order.splice(0, order.length, ...into.order)
  }
  return { problem, outing, order, call: many - 1 }
}

describe('moments for one stop more in a day', () => {
  it('are all the places it fits at, as trying each one says', () => {
    let tried = 0
    for (let seed = 1; seed <= 60; seed++) {
      const { problem, outing, order, call } = anyDay(seed, 4 + (seed % 4), 1080)
      const before = walked(problem, outing, order)!
      const byHand = Array.from({ length: order.length + 1 }, (_, at) => order.toSpliced(at, 0, call)).filter((one) =>
        walked(problem, outing, one),
      )
      const found = momentsIn(problem, outing, order, call, new Set())
      expect(found.map((one) => one.order.join()).sort(), `seed ${seed}`).to.deep.equal(
        byHand.map((one) => one.join()).sort(),
      )
      for (const { order: those, detourMin, finishMin, beginMin, endMin, at, out } of found) {
        const way = walked(problem, outing, those)!
        expect(detourMin).to.be.closeTo(way.travelMin - before.travelMin, 1e-9)
        expect(finishMin).to.be.closeTo(way.finishMin, 1e-9)
        expect(those[at]).to.equal(call)
        expect(endMin - beginMin).to.be.closeTo(problem.stops[call]!.serviceMin, 1e-9)
        const { from, to } = problem.stops[call]!.open[0]!
        expect(beginMin).to.be.within(from - 1e-9, to + 1e-9)
        expect(out).to.equal(null)
        tried += 1
      }
      const least = putInto(problem, outing, order, call)
      if (least) expect(found[0]!.detourMin).to.be.closeTo(least.travelMin - before.travelMin, 1e-9)
      else expect(found).to.deep.equal([])
    }
    expect(tried).to.be.greaterThan(100)
  })

  it('leave one stop out where the day is full, never one that was promised', () => {
    let full = 0
    for (let seed = 1; seed <= 80; seed++) {
      const { problem, outing, order, call } = anyDay(seed, 6, 800)
      const fits = momentsIn(problem, outing, order, call, new Set())
      if (fits.length > 0 || order.length < 2) continue
      const [agreed, ...proposed] = order
      const found = momentsIn(problem, outing, order, call, new Set(proposed))
      for (const { order: those, out } of found) {
        expect(out).to.be.oneOf(proposed)
        expect(those).to.include(agreed).and.to.include(call).and.not.to.include(out)
        expect(those).to.have.length(order.length)
        full += 1
      }
    }
    expect(full).to.be.greaterThan(20)
  })

  it('name whom it makes later, and by how much', () => {
    const travelMin = [
      [0, 10, 10, 10],
      [10, 0, 10, 10],
      [10, 10, 0, 10],
      [10, 10, 10, 0],
    ]
    const open = [{ from: 0, to: 2880 }]
    const stops = [0, 1, 2].map((place) => ({ place, serviceMin: 60, open }))
    const outing: Outing = { start: 3, end: 3, startMin: 480, endMin: 1080 }
    const found = momentsIn({ travelMin, stops, outings: [outing] }, outing, [0, 1], 2, new Set())
    const first = found.find(({ at }) => at === 0)!
    expect(first.later).to.deep.equal([
      { stop: 0, byMin: 70 },
      { stop: 1, byMin: 70 },
    ])
    expect(found.find(({ at }) => at === 2)!.later).to.deep.equal([])
    expect(first.detourMin).to.equal(10)
  })

  it('with a longer stay move only what comes after it, by as much as it is longer', () => {
    const travelMin = [0, 1, 2, 3].map((from) => [0, 1, 2, 3].map((to) => (from === to ? 0 : 10)))
    const open = [{ from: 0, to: 2880 }]
    const stops = [0, 1, 2].map((place) => ({ place, serviceMin: 60, open }))
    const outing: Outing = { start: 3, end: 3, startMin: 480, endMin: 780 }
    const problem: DayProblem = { travelMin, stops, outings: [outing] }
    const when = (serviceMin: number, mayLeave: number[] = []) =>
      momentsWhenLonger(problem, outing, [0, 1, 2], {
        stop: 1,
        longer: { serviceMin, open },
        mayLeave: new Set(mayLeave),
      })
    expect(when(100)).to.deep.equal([
      {
        at: 1,
        order: [0, 1, 2],
        detourMin: 0,
        beginMin: 560,
        endMin: 660,
        finishMin: 740,
        out: null,
        later: [{ stop: 2, byMin: 40 }],
      },
    ])
    // No room: one that was promised nobody goes, never the stop itself, and nothing is later for it.
    expect(when(160)).to.deep.equal([])
    const [without, ...more] = when(160, [1, 2])
    expect(without).to.deep.include({ order: [0, 1], out: 2, detourMin: -10, later: [] })
    expect(more).to.deep.equal([])
  })

  it('are none where the place does not want it that day', () => {
    const { problem, outing, order, call } = anyDay(3, 5, 1080)
    const closed = { ...problem, stops: problem.stops.map((stop, i) => (i === call ? { ...stop, open: [] } : stop)) }
    expect(momentsIn(closed, outing, order, call, new Set(order))).to.deep.equal([])
  })
})
