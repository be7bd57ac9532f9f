import { expect } from 'chai'
import { planFirm } from '../../../src/core/visits/firm-plan.ts'
import type { FirmProblem } from '../../../src/core/visits/firm-problem.ts'
import { PlanState } from '../../../src/core/visits/plan-state.ts'

/** One site with one task that would go along with a visit that is agreed for day 1, beside a fault. */
const problem = (repairMin: number, room = 120): FirmProblem => ({
  days: 4,
  daysAfter: 0,
  travelMin: [
    [0, 10],
    [10, 0],
  ],
  sites: [
    {
      place: 0,
      tasks: [{ costOn: [5, 5, 6, 7], leftCost: 1000, minutes: 40 }],
      isOpen: [1, 1, 1, 1],
      roomMin: [room, room, room, room],
      stopMin: 15,
      technicianCost: [0],
      settled: [{ day: 1, technician: 0, tasks: [], ...(repairMin > 0 && { repairMin }) }],
      was: [],
      laterTripCost: 50,
    },
  ],
  technicians: [{ place: 1, hoursMin: [400, 400, 400, 400] }],
  overCost: 4,
  changedCost: 15,
})

describe('a fault somebody goes for', () => {
  const planned = (of: FirmProblem) => planFirm(of, { rounds: 50 }).plan[0]!

  it('takes its minutes of the technician’s day', () => {
    const load = (repairMin: number) => {
      const of = problem(repairMin)
      return new PlanState(of, planFirm(of, { rounds: 20 }).plan).loadOn(0, 1).workMin
    }
    expect(load(30) - load(0)).to.equal(30)
  })

  it('lets what is due go along with it as long as there is room', () => {
    expect(planned(problem(60)).map(({ day, tasks }) => [day, tasks])).to.deep.equal([[1, [0]]])
  })

  it('sends what has no room beside it on another day, and keeps its own', () => {
    const visits = planned(problem(90))
    expect(visits.find(({ settled }) => settled)).to.deep.include({ day: 1, tasks: [], repairMin: 90 })
    expect(visits.filter(({ tasks }) => tasks.includes(0)).map(({ day }) => day)).to.have.length(1)
    expect(visits.find(({ tasks }) => tasks.includes(0))!.day).not.to.equal(1)
  })
})
