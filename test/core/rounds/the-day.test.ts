import { expect } from 'chai'
import { diceOf } from '../../../src/core/quantity/dice.ts'
import { asDriven } from '../../../src/core/rounds/as-driven.ts'
import type { DayProblem, Outing } from '../../../src/core/rounds/day-problem.ts'
import { oneMoved, putInto, standingOrder } from '../../../src/core/rounds/standing-order.ts'
import { beginSpans } from '../../../src/core/rounds/stop-hours.ts'
import { timetable } from '../../../src/core/rounds/timetable.ts'
import { costOf } from '../../../src/core/rounds/walk.ts'

/** Places on a line, as many minutes apart as their numbers; the yard lies at 0. */
const onALine = (
  at: number[],
  stops: Partial<DayProblem['stops'][number]>[],
  outing: Partial<Outing> = {},
): DayProblem => {
  const places = [0, ...at]
  return {
    travelMin: places.map((a) => places.map((b) => Math.abs(a - b))),
    stops: stops.map((stop, i) => ({ place: i + 1, serviceMin: 30, open: [{ from: 0, to: 1e6 }], ...stop })),
    outings: [{ start: 0, end: 0, startMin: 480, endMin: 990, ...outing }],
  }
}

describe('hours of a stop', () => {
  it('lets the work begin so that it is over in time', () => {
    expect(beginSpans([{ from: 480, to: 720 }], 65)).to.deep.equal([{ from: 480, to: 655 }])
    expect(beginSpans([], 65)).to.deep.equal([{ from: 0, to: 2880 }])
    expect(
      beginSpans(
        [
          { from: 450, to: 480 },
          { from: 840, to: 960 },
        ],
        45,
      ),
    ).to.deep.equal([{ from: 840, to: 915 }])
  })

  it('keeps a promise to the half hour, inside the hours or not at all', () => {
    expect(beginSpans([], 30, 630)).to.deep.equal([{ from: 630, to: 660 }])
    expect(beginSpans([{ from: 600, to: 680 }], 30, 630)).to.deep.equal([{ from: 630, to: 650 }])
    expect(beginSpans([{ from: 480, to: 600 }], 30, 630)).to.deep.equal([])
  })
})

describe('the order that stands', () => {
  const rounds = 300
  const nobody = new Set<number>()

  it('is the best there is until somebody sets one, and then says what that costs', () => {
    const problem = onALine([10, 20, 30], [{}, {}, {}])
    const free = standingOrder(problem, { agreed: nobody, rounds })
    expect(free.travelMin).to.equal(60)
    expect(free.better).to.equal(null)
    const set = standingOrder(problem, { agreed: nobody, kept: [1, 0, 2], rounds })
    expect(set.order).to.deep.equal([1, 0, 2])
    expect(set.travelMin).to.equal(80)
    expect(set.better!.savesMin).to.equal(20)
    expect(set.better!.more).to.equal(0)
  })

  it('puts what came since where it costs least, and forgets what is gone', () => {
    const problem = onALine([10, 20, 30, 15], [{}, {}, {}, {}])
    const { order } = standingOrder(problem, { agreed: nobody, kept: [0, 1, 2], rounds })
    expect(order).to.deep.equal([0, 3, 1, 2])
    expect(putInto(problem, problem.outings[0]!, [0, 1, 2], 3)!.at).to.equal(1)
  })

  it('leaves out what the day cannot hold, says why, and never what was agreed for what was not', () => {
    const problem = onALine(
      [10, 20, 30, 40, 200],
      [{ serviceMin: 160 }, { serviceMin: 160 }, { serviceMin: 160 }, { open: [] }, { open: [{ from: 480, to: 500 }] }],
    )
    for (const agreed of [0, 1, 2]) {
      const { order, left } = standingOrder(problem, { agreed: new Set([agreed]), rounds })
      expect(order).to.include(agreed)
      expect(order).to.have.length(2)
      expect(Object.fromEntries(left.map(({ stop, why }) => [stop, why]))).to.include({
        3: 'no-hours',
        4: 'out-of-reach',
      })
      expect(left.filter(({ why }) => why === 'full')).to.have.length(1)
    }
  })

  it('is never worse than the order that was set, nor than any other, on days of all sorts', () => {
    const dice = diceOf(20)
    for (let day = 0; day < 60; day++) {
      const n = 3 + Math.floor(dice.next() * 4)
      const at = Array.from({ length: n }, () => Math.round(dice.next() * 60))
      const problem = onALine(
        at,
        at.map(() => {
          const from = 480 + Math.round(dice.next() * 200)
          return { serviceMin: 15 + Math.round(dice.next() * 40), open: [{ from, to: from + 120 + dice.next() * 300 }] }
        }),
        dice.next() < 0.5 ? { rest: { from: 690, to: 810, minutes: 30 } } : {},
      )
      const kept = at.map((_, i) => i)
      const stands = standingOrder(problem, { agreed: nobody, kept, rounds })
      const best = Math.min(
        ...orders(kept).map((order) => {
          const cost = costOf(problem, [order])
          return cost && cost.unserved === 0 ? cost.travelMin : Number.POSITIVE_INFINITY
        }),
      )
      const better = stands.better
      if (!Number.isFinite(best)) continue
      const reached = better && better.more >= 0 ? stands.travelMin - better.savesMin : stands.travelMin
      if (stands.left.length === 0) expect(reached).to.be.within(best - 1e-9, best + 3)
      else expect(better!.more).to.equal(stands.left.length)
    }
  })

  it('names one stop where one alone changes its place', () => {
    expect(oneMoved([0, 1, 2, 3], [0, 3, 1, 2])).to.deep.equal({ stop: 3, before: 1 })
    expect(oneMoved([0, 1, 2], [0, 2, 1])).to.deep.equal({ stop: 2, before: 1 })
    expect(oneMoved([0, 1, 2], [1, 2, 0])).to.deep.equal({ stop: 0, before: null })
    expect(oneMoved([0, 1, 2, 3], [3, 2, 1, 0])).to.equal(null)
    expect(oneMoved([0, 1], [0, 1])).to.equal(null)
    expect(oneMoved([0, 1], [0, 1, 2])).to.equal(null)
  })
})

describe('a day as it is driven', () => {
  it('is the timetable where the hours allow it', () => {
    const problem = onALine([10, 20], [{}, {}])
    const driven = asDriven(problem, problem.outings[0]!, [0, 1])
    expect(driven).to.deep.include({ overMin: 0, finishMin: 480 + 10 + 30 + 10 + 30 + 20 })
    expect(driven.lateBy.size).to.equal(0)
  })

  it('tells what is too late and how long the day gets where they do not', () => {
    const problem = onALine([60, 200], [{ open: [{ from: 480, to: 500 }] }, { serviceMin: 300 }])
    const driven = asDriven(problem, problem.outings[0]!, [0, 1])
    expect(driven.lateBy).to.deep.equal(new Map([[0, 40]]))
    expect(driven.stops.map(({ beginMin }) => beginMin)).to.deep.equal([540, 710])
    expect(driven.finishMin).to.equal(1210)
    expect(driven.overMin).to.equal(220)
  })

  it('breaks not before an open door where it gains nothing', () => {
    const problem = onALine([14, 30], [{ serviceMin: 30 }, { open: [{ from: 870, to: 900 }] }], {
      rest: { from: 690, to: 810, minutes: 30 },
    })
    const told = timetable(problem, problem.outings[0]!, [0, 1])!
    expect(told.stops[0]).to.deep.include({ beginMin: 494, endMin: 524 })
    expect(told.stops[0]!.rest).to.equal(undefined)
    expect(told.stops[1]!.rest).to.deep.equal({ from: 690, to: 720 })
    expect(told.stops[1]!.beginMin).to.equal(870)
  })
})

function orders(all: number[]): number[][] {
  return all.length === 0
    ? [[]]
    : all.flatMap((one) => orders(all.filter((other) => other !== one)).map((rest) => [one, ...rest]))
}
