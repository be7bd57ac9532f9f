import { expect } from 'chai'
import { diceOf } from '../../../src/core/quantity/dice.ts'
import { visits } from '../../../src/core/topics/visits.ts'

interface Task {
  id: string
  earliest: number
  due: number
  latest: number
  earlyCostPerDay: number
  lateCostPerDay: number
}

const ask = (input: unknown) => {
  const asked = visits.ask(input)
  if (!asked.ok) throw new Error(JSON.stringify(asked.issues))
  return asked.answer.result as { visits: { day: number; tasks: string[] }[]; cost: number }
}
const problems = (input: unknown): string[] => {
  const asked = visits.ask(input)
  return asked.ok ? [] : asked.issues.map(({ path, message }) => `${path}: ${message}`)
}

const costOn = (task: Task, day: number) =>
  day < task.earliest || day > task.latest
    ? Number.POSITIVE_INFINITY
    : Math.max(0, task.due - day) * task.earlyCostPerDay + Math.max(0, day - task.due) * task.lateCostPerDay

/** Every set of days tried, each task on the cheapest of them. */
function bruteForce(tripCost: number, tasks: Task[], days: number): number {
  let least = Number.POSITIVE_INFINITY
  for (let set = 0; set < 1 << days; set++) {
    const chosen = Array.from({ length: days }, (_, day) => day).filter((day) => set & (1 << day))
    const cost = tasks.reduce((sum, task) => sum + Math.min(...chosen.map((day) => costOn(task, day))), 0)
    least = Math.min(least, cost + chosen.length * tripCost)
  }
  return least
}

function someTasks(seed: number, many: number, days: number): { tripCost: number; tasks: Task[] } {
  const dice = diceOf(seed)
  const upTo = (most: number) => Math.floor(dice.next() * (most + 1))
  return {
    tripCost: upTo(30),
    tasks: Array.from({ length: many }, (_, i) => {
      const earliest = upTo(days - 1)
      const latest = earliest + upTo(days - 1 - earliest)
      // Overdue tasks were due before they can be done; some are not due within their window at all.
      const due = upTo(days + 6) - 3
      return { id: `t${i}`, earliest, due, latest, earlyCostPerDay: dice.next() * 4, lateCostPerDay: dice.next() * 9 }
    }),
  }
}

describe('the topic visits', () => {
  it('costs what the cheapest of all sets of days costs, and adds up to what it says', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const input = someTasks(seed, 1 + (seed % 7), 12)
      const { visits: chosen, cost } = ask(input)
      expect(cost, `seed ${seed}`).to.be.closeTo(bruteForce(input.tripCost, input.tasks, 12), 1e-9)
      expect(chosen.flatMap(({ tasks }) => tasks).sort()).to.deep.equal(input.tasks.map(({ id }) => id).sort())
      const added = chosen.reduce(
        (sum, { day, tasks }) =>
          tasks.reduce((all, id) => all + costOn(input.tasks.find((task) => task.id === id)!, day), sum),
        chosen.length * input.tripCost,
      )
      expect(added).to.be.closeTo(cost, 1e-9)
    }
  })

  it('needs no day that is nobody’s earliest, due or latest: a wide span costs no more than a narrow one', () => {
    const wide = { id: 'a', earliest: -90_000, due: 4000, latest: 90_000, earlyCostPerDay: 1, lateCostPerDay: 3 }
    const other = { ...wide, id: 'b', due: 4010 }
    // Together on the 4,000th: ten days early of one, against a second trip.
    expect(ask({ tripCost: 100, tasks: [wide, other] })).to.deep.equal({
      visits: [{ day: 4000, tasks: ['a', 'b'] }],
      cost: 110,
    })
    expect(ask({ tripCost: 5, tasks: [wide, other] }).cost).to.equal(10)
  })

  it('goes nowhere for nothing, and for two hard windows that do not meet twice', () => {
    expect(ask({ tripCost: 50, tasks: [] })).to.deep.equal({ visits: [], cost: 0 })
    const hard = { due: 0, earlyCostPerDay: 0, lateCostPerDay: 0 }
    const { visits: chosen } = ask({
      tripCost: 50,
      tasks: [
        { id: 'safety valve', earliest: 0, latest: 3, ...hard },
        { id: 'certificate', earliest: 4, latest: 9, ...hard },
      ],
    })
    expect(chosen.map(({ tasks }) => tasks)).to.deep.equal([['safety valve'], ['certificate']])
  })

  it('says at which field it is impossible', () => {
    const task = { id: 'a', earliest: 5, due: 5, latest: 4, earlyCostPerDay: 1, lateCostPerDay: 1 }
    expect(problems({ tripCost: 1, tasks: [task] })).to.deep.equal(['tasks[0].latest: is before earliest (5)'])
    const twice = { ...task, latest: 6 }
    expect(problems({ tripCost: 1, tasks: [twice, twice] })).to.deep.equal(['tasks[1].id: is given twice'])
    expect(problems({ tripCost: -1, tasks: [{ ...twice, due: 1.5 }] })).to.have.length(2)
  })

  it('shows each task with its days early or late, and what adds up to each visit', () => {
    const asked = visits.ask(visits.example)
    if (!asked.ok) throw new Error('the example is refused')
    const { working } = asked.answer
    expect(working.map(({ formula }) => formula)).to.include('15 days early × 0.3')
    expect(working.at(-1)).to.include({ what: 'All visits', value: 79 })
  })
})
