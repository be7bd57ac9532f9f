import { expect } from 'chai'
import { planFirm } from '../../../src/core/visits/firm-plan.ts'
import type { FirmProblem, PlannedVisit } from '../../../src/core/visits/firm-problem.ts'
import { movedVisits } from '../../../src/core/visits/moved-visits.ts'
import { PlanState } from '../../../src/core/visits/plan-state.ts'

const days = 6
const problemOf = (due: number, isOpen = Array.from({ length: days }, () => 1)): FirmProblem => ({
  days,
  daysAfter: 0,
  travelMin: [
    [0, 10],
    [10, 0],
  ],
  technicians: [{ place: 1, hoursMin: Array.from({ length: days }, () => 400) }],
  sites: [
    {
      place: 0,
      tasks: [{ costOn: Array.from({ length: days }, (_, d) => 4 * Math.abs(d - due)), leftCost: 1000, minutes: 30 }],
      isOpen,
      stopMin: 0,
      technicianCost: [0],
      settled: [],
      was: [{ day: 1, technician: 0 }],
      laterTripCost: 40,
    },
  ],
  overCost: 4,
  changedCost: 3,
})
const proposed: PlannedVisit[][] = [[{ day: 1, technician: 0, tasks: [0], settled: false }]]

describe('what a plan changed of what was proposed', () => {
  it('is said with the day it went to and what that saves over all, the change paid for', () => {
    const problem = problemOf(4)
    const { plan, cost } = planFirm(problem, { rounds: 20, given: proposed })
    // Three days nearer at 4 min each, less the 3 min of changing.
    expect(movedVisits(problem, plan, proposed)).to.deep.equal([{ site: 0, fromDay: 1, toDay: 4, savesMin: 9 }])
    expect(new PlanState(problem, proposed).cost - cost).to.equal(9)
  })

  it('is nothing where everything stays', () => {
    const problem = problemOf(1)
    const { plan } = planFirm(problem, { rounds: 20, given: proposed })
    expect(movedVisits(problem, plan, proposed)).to.deep.equal([])
  })

  it('saves nothing that could be counted where the day closed', () => {
    const problem = problemOf(1, [1, 0, 1, 1, 1, 1])
    const { plan } = planFirm(problem, { rounds: 20, given: proposed })
    const [moved] = movedVisits(problem, plan, proposed)
    expect(moved).to.deep.include({ fromDay: 1, savesMin: null })
    expect(moved!.toDay).to.be.oneOf([0, 2])
  })

  it('goes nowhere where its tasks are on no visit any more', () => {
    const problem = problemOf(1)
    expect(movedVisits(problem, [[]], proposed)).to.deep.equal([
      {
        site: 0,
        fromDay: 1,
        toDay: null,
        savesMin: new PlanState(problem, proposed).cost - new PlanState(problem, [[]]).cost,
      },
    ])
  })
})
