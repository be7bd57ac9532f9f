import { chooseVisits, type Dated } from './choose-visits.ts'
import { cheapest, evenOut, type Trip } from './even-out.ts'
import type { FirmProblem, PlannedVisit, PlanTask } from './firm-problem.ts'
import { minutesThere } from './minutes-there.ts'
import type { PlanState } from './plan-state.ts'

/** Makes days look cheaper or dearer than they are, so that sites come to share one, or leave it to others. */
export interface Lure {
  trip(cost: number, day: number, technician: number): number
  /** A day on which each minute of work costs so much besides. */
  crowded?: { day: number; perMinute: number }
}

const none: Lure = { trip: (cost) => cost }

const never = Number.POSITIVE_INFINITY
/** A day that came out too full is made dearer by the minute, at most so often. */
const tries = 8

/**
 * The best visits of one site while all others stay where they are: exact but for full days, whose price is found by
 * trying. What is tried stays in the state: the answer is to be put there.
 */
export function replanned(state: PlanState, site: number, lure: Lure = none): PlannedVisit[] {
  const { problem } = state
  const { settled, tasks } = problem.sites[site]!
  state.set(
    site,
    settled.map((visit) => ({ ...visit, settled: true })),
  )
  const days = tripsTo(state, site, lure)
  let trips = days.map((ways) => cheapest(ways, 0, problem.overCost))
  const isSettled = new Set(settled.flatMap((visit) => visit.tasks))
  const open = tasks.map((_, t) => t).filter((t) => !isSettled.has(t))
  const offered = open.map((t) => tasks[t]!)
  const perMinute = new Float64Array(days.length)
  if (lure.crowded) perMinute[lure.crowded.day] = lure.crowded.perMinute
  let best: { visits: PlannedVisit[]; cost: number } | null = null
  for (let n = 0; n < tries; n++) {
    const chosen = chooseVisits(
      trips.map(({ cost }) => cost),
      n === 0 && !lure.crowded ? offered : offered.map((task) => dearer(task, perMinute)),
    )!
    const full = chosen.visits.filter(({ day, tasks: those }) => overBy(day, those) > 0)
    const evened = full.length > 0 ? evenOut(chosen, offered, days, trips, problem.overCost) : { ...chosen, trips }
    const visits = merged(problem, site, evened.visits, open, evened.trips)
    const cost = trialCost(state, site, visits)
    if (!best || cost < best.cost) best = { visits, cost }
    if (full.length === 0) break
    // Somebody with more time may go there that day.
    const wanted = new Map(full.map(({ day, tasks: those }) => [day, minutesOf(those)]))
    trips = trips.map((trip, day) =>
      wanted.has(day) ? cheapest(days[day]!, wanted.get(day)!, problem.overCost) : trip,
    )
    // Dearer by the share that is over: some of its tasks may go another day, or all of them.
    for (const { day, tasks: those } of full)
      perMinute[day] = Math.min(
        problem.overCost,
        perMinute[day]! + (problem.overCost * overBy(day, those)) / (2 * minutesOf(those)),
      )
  }
  return best!.visits

  function minutesOf(those: number[]): number {
    return minutesThere(those.map((t) => tasks[open[t]!]!))
  }

  function overBy(day: number, those: number[]): number {
    return minutesOf(those) - Math.max(0, trips[day]!.spareMin)
  }
}

/** What a trip costs on each day by whoever may go. */
function tripsTo(state: PlanState, site: number, lure: Lure): Trip[][] {
  const { problem } = state
  const { tasks, isOpen, stopMin, dayCost, technicianCost, settled, was, laterTripCost, roomMin } = problem.sites[site]!
  const room = (day: number) => (roomMin?.[day] ?? never) - stopMin
  const days: Trip[][] = []
  for (let day = 0; day < problem.days; day++) {
    const there = settled.find((visit) => visit.day === day)
    if (there) {
      // Somebody goes there anyway.
      const { technician } = there
      const { roadMin, workMin } = state.loadOn(technician, day)
      const spareMin = problem.technicians[technician]!.hoursMin[day]! - roadMin - workMin
      const settledMin = (there.repairMin ?? 0) + minutesThere(there.tasks.map((t) => tasks[t]!))
      days.push([{ cost: 0, technician, spareMin: Math.min(spareMin, room(day) - settledMin) }])
      continue
    }
    const ways: Trip[] = []
    if (isOpen[day])
      for (const [technician, { hoursMin }] of problem.technicians.entries()) {
        if (!(hoursMin[day]! > 0) || technicianCost[technician] === never) continue
        const { cost, spareMin } = state.tripCost(site, technician, day)
        const wasThere = was.some((visit) => visit.day === day && visit.technician === technician)
        ways.push({
          cost:
            lure.trip(cost, day, technician) +
            stopMin +
            (dayCost?.[day] ?? 0) +
            technicianCost[technician]! -
            (wasThere ? problem.changedCost : 0),
          technician,
          spareMin: Math.min(spareMin, room(day)),
        })
      }
    days.push(ways)
  }
  for (let day = 0; day < problem.daysAfter; day++)
    days.push([{ cost: laterTripCost, technician: null, spareMin: never }])
  return days
}

function dearer({ costOn, minutes, leftCost }: PlanTask, perMinute: Float64Array): Dated {
  const dearerOn = Float64Array.from(costOn)
  for (let day = 0; day < dearerOn.length; day++) dearerOn[day]! += perMinute[day]! * minutes
  return { leftCost, costOn: dearerOn }
}

/** What is chosen for a day on which somebody goes there anyway is done on that visit. */
function merged(
  problem: FirmProblem,
  site: number,
  chosen: { day: number; tasks: number[] }[],
  open: number[],
  trips: readonly Trip[],
): PlannedVisit[] {
  const visits = problem.sites[site]!.settled.map((visit): PlannedVisit => ({ ...visit, settled: true }))
  for (const { day, tasks } of chosen) {
    const those = tasks.map((t) => open[t]!)
    const there = visits.findIndex((visit) => visit.settled && visit.day === day)
    if (there >= 0) visits[there] = { ...visits[there]!, tasks: [...visits[there]!.tasks, ...those] }
    else visits.push({ day, technician: trips[day]!.technician, tasks: those, settled: false })
  }
  return visits
}

/** What the whole plan costs with these visits; they stay in it. */
function trialCost(state: PlanState, site: number, visits: PlannedVisit[]): number {
  state.set(site, visits)
  return state.cost
}
