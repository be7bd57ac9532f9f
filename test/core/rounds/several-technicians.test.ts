import { expect } from 'chai'
import { diceOf } from '../../../src/core/quantity/dice.ts'
import { bestDay } from '../../../src/core/rounds/best-day.ts'
import { compareDays, type DayProblem, type Outing } from '../../../src/core/rounds/day-problem.ts'
import { exactOrder } from '../../../src/core/rounds/exact-order.ts'
import { searchDay } from '../../../src/core/rounds/order-search.ts'
import { timetable } from '../../../src/core/rounds/timetable.ts'
import { costOf, walked } from '../../../src/core/rounds/walk.ts'

/** Stops strewn about a town, some open twice a day, technicians from two homes with a break at noon. */
function someDay(seed: number, many: number, technicians: number): DayProblem {
  const dice = diceOf(seed)
  const places = Array.from({ length: many + 2 }, () => [dice.between(0, 30), dice.between(0, 30)] as const)
  const travelMin = places.map(([x, y]) => places.map(([u, w]) => Math.hypot(x - u, y - w)))
  const outings = Array.from({ length: technicians }, (_, k): Outing => {
    const home = many + (k % 2)
    const startMin = 450 + 30 * (k % 3)
    return {
      start: home,
      end: k % 3 === 2 ? many : home,
      startMin,
      endMin: startMin + 480,
      ...(seed % 4 !== 0 && { rest: { from: 690, to: 780, minutes: 30 } }),
    }
  })
  return {
    travelMin,
    stops: Array.from({ length: many }, (_, place) => {
      const from = dice.between(420, 700)
      const open =
        dice.next() < 0.4
          ? [
              { from: 420, to: 560 },
              { from: 800, to: 900 },
            ]
          : [{ from, to: from + dice.between(60, 400) }]
      return { place, serviceMin: dice.between(10, 50), open }
    }),
    outings,
  }
}

/** Every order of every set, by the walk alone. */
function triedOut(problem: DayProblem, k: number) {
  let best = { unserved: problem.stops.length, travelMin: 0, finishMin: problem.outings[k]!.startMin }
  const go = (order: number[]) => {
    const there = walked(problem, problem.outings[k]!, order)
    const cost = there && { unserved: problem.stops.length - order.length, ...there }
    if (cost && order.length > 0 && compareDays(cost, best) < 0) best = cost
    for (const i of problem.stops.keys()) if (!order.includes(i)) go([...order, i])
  }
  go([])
  return best
}

describe('a day of several technicians', () => {
  it('puts one outing in order exactly, with a break and hours in two parts', () => {
    for (let seed = 1; seed <= 24; seed++) {
      const problem = someDay(seed, 6, 1)
      const { order, cost } = exactOrder(problem, [0, 1, 2, 3, 4, 5])
      const best = triedOut(problem, 0)
      expect(cost.unserved, `seed ${seed}`).to.equal(best.unserved)
      expect(cost.travelMin).to.be.closeTo(best.travelMin, 1e-9)
      expect(cost.finishMin).to.be.closeTo(best.finishMin, 1e-9)
      expect(costOf(problem, [order])).to.deep.equal(cost)
    }
  })

  it('tells a timetable that keeps the hours, the break and the end of the day it was reckoned with', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const problem = someDay(seed, 8, 1)
      const outing = problem.outings[0]!
      const { order, cost } = exactOrder(problem, [0, 1, 2, 3, 4, 5, 6, 7])
      const told = timetable(problem, outing, order)!
      expect(told.finishMin, `seed ${seed}`).to.be.closeTo(cost.finishMin, 1e-9)
      const breaks = [...told.stops.map(({ rest }) => rest), told.restAtEnd].filter(Boolean)
      if (outing.rest && told.finishMin > outing.rest.to) {
        expect(breaks).to.have.length(1)
        expect(breaks[0]!.from).to.be.within(outing.rest.from, outing.rest.to)
        expect(breaks[0]!.to - breaks[0]!.from).to.be.closeTo(30, 1e-9)
      } else expect(breaks).to.have.length(0)
      for (const { stop, beginMin, endMin, arriveMin } of told.stops) {
        const { open, serviceMin } = problem.stops[stop]!
        expect(open.some(({ from, to }) => beginMin >= from && beginMin <= to)).to.equal(true)
        expect(beginMin).to.be.at.least(arriveMin)
        expect(endMin - beginMin).to.be.closeTo(serviceMin, 1e-9)
      }
    }
  })

  it('finds by search what weighing every order finds', () => {
    for (let seed = 1; seed <= 16; seed++) {
      const problem = someDay(seed, 8, 1)
      const exact = exactOrder(problem, [0, 1, 2, 3, 4, 5, 6, 7]).cost
      const { routes, cost } = searchDay(problem, { rounds: 1500 })
      expect(cost, `seed ${seed}`).to.deep.equal(costOf(problem, routes))
      expect(cost.unserved).to.equal(exact.unserved)
      expect(cost.travelMin).to.be.closeTo(exact.travelMin, 1e-6)
    }
  })

  it('sends nobody where they may not go, each stop once, and is never worse than it was given', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const whole = someDay(seed, 24, 3)
      const problem = { ...whole, may: (stop: number, k: number) => stop % 5 !== 0 || k === 1 }
      const first = searchDay(problem, { rounds: 150, seed })
      const { routes, cost } = bestDay(problem, { rounds: 600, given: first.routes, seed: seed + 50 })
      expect(compareDays(cost, first.cost)).to.be.at.most(0)
      const all = routes.flat()
      expect(new Set(all).size).to.equal(all.length)
      expect(all.length + cost.unserved).to.equal(24)
      for (const [k, route] of routes.entries()) for (const stop of route) if (stop % 5 === 0) expect(k).to.equal(1)
      expect(costOf(problem, routes)).to.deep.equal(cost)
    }
  })

  it('goes on with what can still be driven when a given day cannot', () => {
    const problem = someDay(3, 5, 1)
    const given = [[4, 3, 2, 1, 0]]
    const shut = { ...problem, stops: problem.stops.map((stop, i) => (i === 2 ? { ...stop, open: [] } : stop)) }
    const { routes, cost } = bestDay(shut, { rounds: 100, given })
    expect(routes[0]).not.to.include(2)
    expect(cost.unserved).to.be.at.least(1)
  })

  it('stops when it is told to, with the best so far', () => {
    const problem = someDay(5, 20, 2)
    let asked = 0
    const { cost, routes } = searchDay(problem, { rounds: 1e9, spent: () => ++asked / 4 })
    expect(asked).to.equal(4)
    expect(costOf(problem, routes)).to.deep.equal(cost)
  })
})
