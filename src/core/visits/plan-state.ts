import type { FirmPlan, FirmProblem, PlannedVisit } from './firm-problem.ts'
import { minutesThere } from './minutes-there.ts'
import { furtherRoad, stayAtHome, type Tour, Tours } from './tours.ts'

/** One technician’s day: the way round and the minutes of work on it. */
interface Load {
  tour: Tour
  workMin: number
}

const nothing: Load = { tour: stayAtHome, workMin: 0 }

/** A plan that is being changed: what it costs is kept as it changes, and a change can be taken back. */
export class PlanState {
  /** Of everything. */
  cost = 0
  private readonly visits: PlannedVisit[][]
  private readonly loads: Load[][]
  private readonly tours: Tours
  private undo: (() => void)[] = []

  constructor(
    readonly problem: FirmProblem,
    plan: FirmPlan,
  ) {
    this.tours = new Tours(problem.travelMin)
    this.visits = problem.sites.map(() => [])
    this.loads = problem.technicians.map(() => Array.from({ length: problem.days }, () => nothing))
    for (const s of problem.sites.keys()) this.cost += this.ownCost(s, [])
    for (const [s, visits] of plan.entries()) this.set(s, visits)
    this.keep()
  }

  visitsOf(site: number): readonly PlannedVisit[] {
    return this.visits[site]!
  }

  /** Places on somebody’s way round on a day. */
  placesOn(technician: number, day: number): readonly number[] {
    return this.loads[technician]![day]!.tour.places
  }

  /** Minutes on the road and at work. */
  loadOn(technician: number, day: number): { roadMin: number; workMin: number } {
    const { tour, workMin } = this.loads[technician]![day]!
    return { roadMin: tour.roadMin, workMin }
  }

  /** Puts a site’s visits on other days. */
  set(site: number, visits: readonly PlannedVisit[]): void {
    const before = this.visits[site]!
    for (const visit of before) this.move(site, visit, -1)
    this.cost += this.ownCost(site, visits) - this.ownCost(site, before)
    this.visits[site] = [...visits].sort((a, b) => a.day - b.day)
    for (const visit of this.visits[site]!) this.move(site, visit, 1)
    this.undo.push(() => {
      this.visits[site] = before
    })
  }

  /** What was changed stays so. */
  keep(): void {
    this.undo = []
  }

  /** Everything since the last `keep` as it was. */
  back(toCost: number): void {
    for (const step of this.undo.reverse()) step()
    this.undo = []
    this.cost = toCost
  }

  plan(): PlannedVisit[][] {
    return this.visits.map((visits) => [...visits])
  }

  /** What one more stop on a day costs somebody, its tasks left out: road, and minutes over their hours. */
  tripCost(site: number, technician: number, day: number): { cost: number; roadMin: number; spareMin: number } {
    const { problem } = this
    const { place, stopMin } = problem.sites[site]!
    const { place: home, hoursMin } = problem.technicians[technician]!
    const { tour, workMin } = this.loads[technician]![day]!
    const more = furtherRoad(problem.travelMin, home, tour, place)
    const spare = hoursMin[day]! - tour.roadMin - workMin
    const spareMin = spare - more - stopMin
    const over = Math.max(0, -spareMin) - Math.max(0, -spare)
    return { cost: more + over * problem.overCost, roadMin: more, spareMin }
  }

  /** Tasks on their days, stops, and what was proposed before: all that does not depend on the other sites. */
  ownCost(site: number, visits: readonly PlannedVisit[]): number {
    const { sites, changedCost, days, overCost } = this.problem
    const { tasks, stopMin, dayCost, technicianCost, was, laterTripCost, roomMin } = sites[site]!
    let sum = 0
    const done = new Set<number>()
    for (const { day, technician, tasks: those, settled, repairMin = 0 } of visits) {
      if (technician === null) sum += laterTripCost
      else if (!settled) sum += stopMin + (dayCost?.[day] ?? 0) + technicianCost[technician]!
      if (roomMin && technician !== null) {
        const minutes = stopMin + repairMin + minutesThere(those.map((t) => tasks[t]!))
        sum += Math.max(0, minutes - roomMin[day]!) * overCost
      }
      for (const t of those) {
        done.add(t)
        sum += tasks[t]!.costOn[day]!
      }
    }
    for (const [t, { leftCost }] of tasks.entries()) if (!done.has(t)) sum += leftCost
    for (const { day, technician } of was)
      if (day < days && !visits.some((visit) => visit.day === day && visit.technician === technician))
        sum += changedCost
    return sum
  }

  private move(site: number, { day, technician, tasks, repairMin = 0 }: PlannedVisit, sign: 1 | -1): void {
    if (technician === null) return
    const { problem } = this
    const { place, stopMin, tasks: all } = problem.sites[site]!
    const { place: home } = problem.technicians[technician]!
    const before = this.loads[technician]![day]!
    const minutes = stopMin + repairMin + minutesThere(tasks.map((t) => all[t]!))
    const places = before.tour.places
    const after = {
      tour: this.tours.round(home, sign > 0 ? [...places, place] : places.filter((other) => other !== place)),
      workMin: before.workMin + sign * minutes,
    }
    this.loads[technician]![day] = after
    this.cost += this.dayCost(technician, day, after) - this.dayCost(technician, day, before)
    this.undo.push(() => {
      this.loads[technician]![day] = before
    })
  }

  private dayCost(technician: number, day: number, { tour, workMin }: Load): number {
    const over = tour.roadMin + workMin - this.problem.technicians[technician]!.hoursMin[day]!
    return tour.roadMin + (tour.places.length > 0 ? Math.max(0, over) * this.problem.overCost : 0)
  }
}
