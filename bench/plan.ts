import { diceOf } from '../src/core/quantity/dice.ts'
import { compareDays, type DayProblem } from '../src/core/rounds/day-problem.ts'
import { searchDay } from '../src/core/rounds/order-search.ts'
import { visits } from '../src/core/topics/visits.ts'
import { planFirm } from '../src/core/visits/firm-plan.ts'
import { leastPossible } from '../src/core/visits/least-possible.ts'
import { someFirm } from './a-firm.ts'

// `npm run bench:plan`: how quickly visits and days are planned, and how far from the best that is known.

const seconds = (from: number) => `${((performance.now() - from) / 1000).toFixed(1)} s`

/** One site, 60 tasks over 120 days: the exact days. */
function oneSite(): void {
  const dice = diceOf(4)
  const tasks = Array.from({ length: 60 }, (_, i) => {
    const due = Math.floor(dice.next() * 120)
    return {
      id: `t${i}`,
      earliest: Math.max(0, due - 40),
      due,
      latest: Math.min(119, due + 30),
      earlyCostPerDay: dice.next(),
      lateCostPerDay: 4 * dice.next(),
    }
  })
  const times: number[] = []
  for (let run = 0; run < 40; run++) {
    const began = performance.now()
    visits.ask({ tripCost: 50, tasks })
    times.push(performance.now() - began)
  }
  times.sort((a, b) => a - b)
  console.log(
    `One site, 60 tasks over 120 days: ${times[20]!.toFixed(1)} ms in the middle, ${times[38]!.toFixed(1)} ms at most but one`,
  )
}

function someDay(seed: number): DayProblem {
  const dice = diceOf(seed * 77)
  const places = Array.from({ length: 26 }, () => [dice.between(0, 60), dice.between(0, 60)] as const)
  const travelMin = places.map(([x, y]) => places.map(([u, w]) => Math.hypot(x - u, y - w)))
  const tight = seed % 2 === 1
  return {
    travelMin,
    stops: travelMin.slice(1).map((_, i) => {
      const from = tight ? Math.floor(dice.next() * 400) : 0
      return { place: i + 1, serviceMin: 10, open: [{ from, to: from + (tight ? 300 : 5000) }] }
    }),
    outings: [{ start: 0, end: 0, startMin: 0, endMin: tight ? 900 : 5000 }],
  }
}

/** A day of 25 stops: two seconds against the best of three long runs. */
function oneDay(): void {
  for (let seed = 1; seed <= 6; seed++) {
    const problem = someDay(seed)
    const began = performance.now()
    const short = searchDay(problem, { rounds: 1e9, spent: () => (performance.now() - began) / 2000 })
    let best = short.cost
    for (const other of [2, 3, 4]) {
      const long = searchDay(problem, {
        rounds: 60_000,
        seed: other,
        given: other === 4 ? short.routes : undefined,
      }).cost
      if (compareDays(long, best) < 0) best = long
    }
    console.log(
      `25 stops${seed % 2 === 1 ? ' with hours' : ''}: ${short.cost.travelMin.toFixed(1)} min and ${short.cost.unserved} left out in two seconds, ${best.travelMin.toFixed(1)} and ${best.unserved} the best known (${((short.cost.travelMin / best.travelMin - 1) * 100).toFixed(2)} % more)`,
    )
  }
}

/** 300 sites, 60 days, five technicians: a minute. */
function wholeFirm(): void {
  const problem = someFirm(7, {
    sites: 300,
    technicians: 5,
    days: 60,
    daysAfter: 8,
    hoursMin: 420,
    tasks: 10,
    settled: 0.15,
    was: 0.3,
  })
  const least = leastPossible(problem)
  const began = performance.now()
  const first = planFirm(problem, { rounds: 0 })
  console.log(
    `300 sites × 60 days, 5 technicians: each site alone in turn ${first.cost.toFixed(0)} min in ${seconds(began)}`,
  )
  const again = performance.now()
  const { cost, rounds } = planFirm(problem, { rounds: 1e9, spent: () => (performance.now() - again) / 55_000 })
  console.log(
    `  planned together ${cost.toFixed(0)} min after ${rounds} rounds in ${seconds(again)}; no plan costs less than ${least.toFixed(0)}`,
  )
}

oneSite()
oneDay()
wholeFirm()
