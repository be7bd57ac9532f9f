import { expect } from 'chai'
import { someFirm } from '../../../bench/a-firm.ts'
import { planFirm } from '../../../src/core/visits/firm-plan.ts'
import type { FirmPlan, FirmProblem } from '../../../src/core/visits/firm-problem.ts'
import { leastPossible } from '../../../src/core/visits/least-possible.ts'
import { PlanState } from '../../../src/core/visits/plan-state.ts'
import { Tours } from '../../../src/core/visits/tours.ts'
import { leastCostBySolver, roundOf } from './integer-program.ts'

/** Everything a plan must be, whatever it costs. */
function expectWhole(problem: FirmProblem, plan: FirmPlan): void {
  for (const [s, site] of problem.sites.entries()) {
    const visits = plan[s]!
    const done = visits.flatMap(({ tasks }) => tasks)
    expect(new Set(done).size, 'a task done twice').to.equal(done.length)
    for (const { day, technician, tasks, settled } of visits) {
      expect(tasks).not.to.have.length(0)
      for (const t of tasks) expect(site.tasks[t]!.costOn[day]).to.be.below(Number.POSITIVE_INFINITY)
      if (settled || technician === null) continue
      expect(Boolean(site.isOpen[day]), 'a closed day').to.equal(true)
      expect(problem.technicians[technician]!.hoursMin[day], 'somebody away').to.be.above(0)
      expect(site.technicianCost[technician], 'somebody who may not').to.be.below(Number.POSITIVE_INFINITY)
    }
    for (const { day, technician, tasks } of site.settled) {
      const kept = visits.find((visit) => visit.settled && visit.day === day && visit.technician === technician)
      expect(kept, 'a settled visit').not.to.equal(undefined)
      expect(kept!.tasks).to.include.members(tasks)
    }
  }
}

/** Every other place holds no long visit, and not the same each day. */
const openForLittle = (firm: FirmProblem, seed: number): FirmProblem => ({
  ...firm,
  sites: firm.sites.map((site, s) =>
    s % 2 === 0
      ? { ...site, roomMin: Array.from({ length: firm.days }, (_, d) => [30, 50, 80][(s + d + seed) % 3]!) }
      : site,
  ),
})

describe('the plan of a firm', () => {
  for (const [name, seeds] of [
    ['wide hours', [1, 2, 3, 5, 6, 7, 9, 10, 13, 15, 17, 18, 21, 22, 25, 27]],
    ['hours that run out', [4, 8, 12, 16, 20, 24, 28, 32, 36, 40, 44, 48, 52, 56, 60, 64]],
    ['places open for little', [11, 14, 19, 23, 26, 29, 30, 31, 33, 34, 35, 37, 38, 39, 41, 42]],
  ] as const)
    it(`costs within two in a hundred of what a general solver proves least, with ${name}`, async function () {
      this.timeout(240_000)
      const over: number[] = []
      for (const seed of seeds) {
        const firm = someFirm(seed, {
          sites: 3 + (seed % 3),
          technicians: 1 + (seed % 2),
          days: seed % 2 === 1 ? 7 : 6,
          daysAfter: seed % 3 === 0 ? 2 : 0,
          hoursMin: seed % 4 === 0 ? 100 : 200,
          settled: 0.3,
          was: 0.5,
        })
        const problem = name === 'places open for little' ? openForLittle(firm, seed) : firm
        const { plan, cost } = planFirm(problem, { rounds: 500 })
        expectWhole(problem, plan)
        expect(new PlanState(problem, plan).cost).to.be.closeTo(cost, 1e-6)
        const least = await leastCostBySolver(problem)
        expect(cost).to.be.at.least(least - 1e-3)
        expect(leastPossible(problem)).to.be.at.most(least + 1e-3)
        over.push(cost / least - 1)
      }
      expect(Math.max(...over)).to.be.below(0.02)
      expect(over.length).to.equal(16)
    })

  it('is whole for many sites, never worse than what was given, and the same for the same seed', function () {
    this.timeout(60_000)
    const problem = someFirm(11, { sites: 40, technicians: 3, days: 28, daysAfter: 4, settled: 0.2, was: 0.4 })
    const first = planFirm(problem, { rounds: 40 })
    expectWhole(problem, first.plan)
    const again = planFirm(problem, { rounds: 40 })
    expect(again).to.deep.equal(first)
    const further = planFirm(problem, { rounds: 120, given: first.plan, seed: 2 })
    expectWhole(problem, further.plan)
    expect(further.cost).to.be.at.most(first.cost + 1e-6)
    expect(further.cost).to.be.at.least(leastPossible(problem))
  })

  it('leaves what it proposed where it is unless the gain is worth more than the change', () => {
    const day = (due: number) => Array.from({ length: 8 }, (_, d) => Math.abs(d - due))
    const problem = (due: number): FirmProblem => ({
      days: 8,
      daysAfter: 0,
      travelMin: [
        [0, 20],
        [20, 0],
      ],
      technicians: [{ place: 1, hoursMin: Array.from({ length: 8 }, () => 400) }],
      sites: [
        {
          place: 0,
          tasks: [{ costOn: day(due), leftCost: 1000, minutes: 30 }],
          isOpen: Array.from({ length: 8 }, () => 1),
          stopMin: 0,
          technicianCost: [0],
          settled: [],
          was: [{ day: 2, technician: 0 }],
          laterTripCost: 40,
        },
      ],
      overCost: 5,
      changedCost: 3,
    })
    const dayOf = (due: number) => planFirm(problem(due), { rounds: 20 }).plan[0]![0]!.day
    expect(dayOf(2)).to.equal(2)
    expect(dayOf(4)).to.equal(2)
    expect(dayOf(6)).to.equal(6)
  })

  it('makes a given plan whole where it no longer can be: a new task, a day that closed', () => {
    const problem = someFirm(3, { sites: 6, technicians: 1, days: 14 })
    const before = planFirm(problem, { rounds: 30 }).plan
    const closed = before[0]![0]!.day
    const now = {
      ...problem,
      sites: problem.sites.map((site, s) =>
        s === 0 ? { ...site, isOpen: Array.from(site.isOpen, (open, d) => (d === closed ? 0 : open)) } : site,
      ),
    }
    const { plan } = planFirm(now, { rounds: 30, given: before })
    expectWhole(now, plan)
    const fewer = before.map((visits, s) => (s === 1 ? [] : visits))
    const whole = planFirm(problem, { rounds: 30, given: fewer })
    expect(whole.cost).to.be.at.most(new PlanState(problem, fewer).cost + 1e-6)
  })

  it('ends when its time is up, with what it has', () => {
    const problem = someFirm(5, { sites: 12, technicians: 2, days: 14 })
    let asked = 0
    const { plan, rounds } = planFirm(problem, { rounds: 1e9, spent: () => ++asked / 3 })
    expect(rounds).to.equal(40)
    expectWhole(problem, plan)
  })

  it('takes back a change whole', () => {
    const problem = someFirm(9, { sites: 8, technicians: 2, days: 14, settled: 0.4 })
    const { plan, cost } = planFirm(problem, { rounds: 20 })
    const state = new PlanState(problem, plan)
    const before = state.cost
    for (const s of problem.sites.keys()) state.set(s, [])
    state.back(before)
    expect(state.plan()).to.deep.equal(plan.map((visits) => [...visits].sort((a, b) => a.day - b.day)))
    expect(state.cost).to.be.closeTo(cost, 1e-6)
    for (const k of problem.technicians.keys())
      for (let day = 0; day < problem.days; day++)
        expect(state.placesOn(k, day)).to.have.members(
          plan.flatMap((visits, s) =>
            visits.some((visit) => visit.technician === k && visit.day === day) ? [problem.sites[s]!.place] : [],
          ),
        )
  })
})

describe('the way round some places', () => {
  it('is the shortest of all orders up to eight, and close to it for nine', () => {
    const { travelMin } = someFirm(21, { sites: 9, technicians: 1, days: 1 })
    const tours = new Tours(travelMin)
    for (let n = 1; n <= 7; n++) {
      const places = Array.from({ length: n }, (_, i) => i + (n < 5 ? 2 : 0))
      const { places: order, roadMin } = tours.round(9, places)
      expect(roadMin).to.be.closeTo(roundOf(travelMin, 9, places), 1e-9)
      expect([...order].sort()).to.deep.equal(places)
    }
    const nine = [0, 1, 2, 3, 4, 5, 6, 7, 8]
    expect(tours.round(9, nine).roadMin).to.be.within(
      tours.round(9, nine.slice(1)).roadMin - 1e-9,
      roundOf(travelMin, 9, nine) * 1.05,
    )
    expect(tours.round(9, [])).to.deep.equal({ places: [], roadMin: 0 })
  })
})
