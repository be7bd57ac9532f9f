import type { ChosenVisit, ChosenVisits } from './choose-visits.ts'
import type { PlanTask } from './firm-problem.ts'

/** One way to go to a site on a day. */
export interface Trip {
  cost: number
  /** Null after the days of the plan. */
  technician: number | null
  /** Left of somebody’s hours for the tasks. */
  spareMin: number
}

const nobody: Trip = { cost: Number.POSITIVE_INFINITY, technician: null, spareMin: 0 }

/** What so many minutes at the site cost beyond the trip: those over somebody’s hours. */
const overPrice = ({ spareMin }: Trip, minutes: number, overCost: number) =>
  Math.max(0, minutes - Math.max(0, spareMin)) * overCost

/** Who goes there for the least with so many minutes of work. */
export function cheapest(ways: readonly Trip[], minutes: number, overCost: number): Trip {
  let best = nobody
  let least = Number.POSITIVE_INFINITY
  for (const way of ways) {
    const price = way.cost + overPrice(way, minutes, overCost)
    if (price < least) {
      best = way
      least = price
    }
  }
  return best
}

const left = -1
const ofItsOwn = -2

/**
 * One task after another goes from a full day, or from those left, to another of the visits or to one of its own,
 * while that costs less.
 *
 * @param days - every way to go there, by day
 * @param trips - the way taken, by day
 */
export function evenOut(
  chosen: ChosenVisits,
  tasks: readonly PlanTask[],
  days: readonly (readonly Trip[])[],
  trips: readonly Trip[],
  overCost: number,
): { visits: ChosenVisit[]; trips: readonly Trip[] } {
  const visits = chosen.visits.map(({ day, tasks: those }) => ({ day, tasks: [...those] }))
  const minutes = visits.map(({ tasks: those }) => those.reduce((sum, t) => sum + tasks[t]!.minutes, 0))
  const later = [...chosen.left]
  // A visit of its own costs a task the same whatever happens to the others.
  const alone = tasks.map(() => null as { day: number; trip: Trip; cost: number } | null)
  let taken = trips
  for (;;) {
    let from = 0
    let to = 0
    let task = -1
    let least = -1e-6
    for (let a = left; a < visits.length; a++) {
      const now = a === left ? 0 : overPrice(taken[visits[a]!.day]!, minutes[a]!, overCost)
      if (a !== left && now === 0) continue
      for (const t of a === left ? later : visits[a]!.tasks) {
        const { costOn, leftCost, minutes: own } = tasks[t]!
        const won =
          a === left
            ? leftCost
            : costOn[visits[a]!.day]! + now - overPrice(taken[visits[a]!.day]!, minutes[a]! - own, overCost)
        for (let b = left; b < visits.length; b++) {
          if (b === a) continue
          const trip = b === left ? null : taken[visits[b]!.day]!
          const paid = trip
            ? costOn[visits[b]!.day]! +
              overPrice(trip, minutes[b]! + own, overCost) -
              overPrice(trip, minutes[b]!, overCost)
            : leftCost
          if (paid - won < least) [least, task, from, to] = [paid - won, t, a, b]
        }
        let byItself = alone[t] ?? null
        if (!byItself || visits.some(({ day }) => day === byItself!.day)) byItself = alone[t] = aloneCost(t)
        if (byItself.cost - won < least) [least, task, from, to] = [byItself.cost - won, t, a, ofItsOwn]
      }
    }
    if (task < 0) return { visits: visits.filter(({ tasks: those }) => those.length > 0), trips: taken }
    const { minutes: own } = tasks[task]!
    const list = from === left ? later : visits[from]!.tasks
    list.splice(list.indexOf(task), 1)
    if (from !== left) minutes[from]! -= own
    if (to === left) later.push(task)
    else if (to === ofItsOwn) {
      const { day, trip } = alone[task]!
      taken = taken.with(day, trip)
      visits.push({ day, tasks: [task] })
      minutes.push(own)
    } else {
      visits[to]!.tasks.push(task)
      minutes[to]! += own
    }
  }

  /** The cheapest day for a task by itself, none of the visits so far. */
  function aloneCost(t: number): { day: number; trip: Trip; cost: number } {
    const { costOn, minutes: own } = tasks[t]!
    const best = { day: -1, trip: nobody, cost: Number.POSITIVE_INFINITY }
    for (let day = 0; day < days.length; day++) {
      if (costOn[day]! >= best.cost || visits.some((visit) => visit.day === day)) continue
      const trip = cheapest(days[day]!, own, overCost)
      const cost = trip.cost + costOn[day]! + overPrice(trip, own, overCost)
      if (cost < best.cost) {
        best.day = day
        best.trip = trip
        best.cost = cost
      }
    }
    return best
  }
}
