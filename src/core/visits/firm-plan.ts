import { type Dice, diceOf } from '../quantity/dice.ts'
import type { FirmPlan, FirmProblem, PlannedVisit } from './firm-problem.ts'
import { PlanState } from './plan-state.ts'
import { type Lure, replanned } from './replan-site.ts'

export interface PlanSearch {
  /** What was planned so far, as far as it still can be: the answer is never worse. */
  given?: FirmPlan
  /** How often some sites are planned anew together, at most. */
  rounds: number
  seed?: number
  /** Asked now and then: the share of the time allowed that has gone by. At 1 the search ends. */
  spent?(cost: number, done: number): number
}

export interface FoundPlan {
  plan: PlannedVisit[][]
  cost: number
  /** How often some sites were planned anew. */
  rounds: number
}

const perLook = 20
/** So much of the time allowed is gone by when nothing more is tried. */
const late = 1.15
/** A minute’s millionth is no gain: figures are added up and taken away many times. */
const little = 1e-6
/** Sites planned anew at once, at most. */
const mostTogether = 7
/** Warmth at the beginning and the end, minutes: a worse plan is taken for it now and then. */
const warmth = { first: 12, last: 0.2 }

/**
 * A plan of all sites’ visits within everybody’s hours: each site exactly for itself first, then neighbours and
 * full days are taken out and planned anew together, again and again (large neighbourhood search, Shaw 1998).
 * Whatever stops it, what it has is whole.
 */
export function planFirm(problem: FirmProblem, { given, rounds, seed = 1, spent }: PlanSearch): FoundPlan {
  const dice = diceOf(seed)
  const start = firstPlan(problem, given)
  const state = new PlanState(problem, start)
  let best = { plan: state.plan(), cost: state.cost }
  const movable = problem.sites.map((_, s) => s).filter((s) => problem.sites[s]!.tasks.length > 0)
  if (movable.length === 0) return { ...best, rounds: 0 }
  const near = nearest(problem, movable)
  let done = 0
  let gone = 0
  for (; done < rounds; done++) {
    if (spent && done % perLook === 0) gone = spent(best.cost, done)
    if (gone >= 1) break
    const heat = warmth.first * (warmth.last / warmth.first) ** Math.max(gone, done / rounds)
    const before = state.cost
    const those = dice.next() < 0.7 ? around() : onOneDay()
    const lure = dice.pick(lures)(problem, dice)
    for (const s of those) state.set(s, settledOnly(problem, s))
    for (const s of those) state.set(s, replanned(state, s, lure))
    const more = state.cost - before
    if (more > little && dice.next() >= Math.exp(-more / heat)) state.back(before)
    else state.keep()
    if (state.cost < best.cost - little) best = { plan: state.plan(), cost: state.cost }
  }
  return { ...settledDown(problem, best, () => (spent?.(best.cost, done) ?? 0) < late), rounds: done }

  function around(): number[] {
    const first = dice.pick(movable)
    const many = 1 + Math.floor(dice.next() * mostTogether)
    return shuffled(
      near
        .get(first)!
        .filter((_, i) => i < 1 || dice.next() < 0.8)
        .slice(0, many),
      dice,
    )
  }

  /** Everybody on one day, and on another that is near it. */
  function onOneDay(): number[] {
    const visits = state.visitsOf(dice.pick(movable)).filter(({ technician }) => technician !== null)
    if (visits.length === 0) return around()
    const { day } = dice.pick(visits)
    const other = day + Math.round(dice.between(-6, 6))
    const on = movable.filter((s) => state.visitsOf(s).some((visit) => visit.day === day || visit.day === other))
    return shuffled(on, dice).slice(0, mostTogether)
  }
}

/** Each site planned anew alone for as long as that helps, and there is time. */
function settledDown(problem: FirmProblem, found: { plan: PlannedVisit[][]; cost: number }, isTime: () => boolean) {
  const state = new PlanState(problem, found.plan)
  for (let better = true; better; ) {
    better = false
    for (const s of problem.sites.keys()) {
      if (problem.sites[s]!.tasks.length === 0) continue
      if (!isTime()) break
      const before = state.cost
      state.set(s, replanned(state, s))
      if (state.cost < before - little) {
        state.keep()
        better = true
      } else state.back(before)
    }
  }
  // As reckoned from nothing: what was added up on the way has lost a few last digits.
  const plan = state.plan()
  return { plan, cost: new PlanState(problem, plan).cost }
}

/** What was given, each site anew that can no longer be visited so; without it all of them, those furthest off first. */
function firstPlan(problem: FirmProblem, given: FirmPlan | undefined): PlannedVisit[][] {
  const state = new PlanState(
    problem,
    problem.sites.map((_, s) => (given && standsStill(problem, s, given[s]!) ? given[s]! : settledOnly(problem, s))),
  )
  const anew = [...problem.sites.keys()].filter((s) => !given || !standsStill(problem, s, given[s]!))
  const far = (s: number) => problem.sites[s]!.laterTripCost
  for (const s of anew.sort((a, b) => far(b) - far(a))) state.set(s, replanned(state, s))
  return state.plan()
}

/** Whether visits can still be as they were planned: their days, who goes, what is done, and all that is settled. */
function standsStill({ sites, technicians, days }: FirmProblem, s: number, visits: readonly PlannedVisit[]): boolean {
  const { settled, isOpen, technicianCost, tasks } = sites[s]!
  return (
    visits.every(
      ({ day, technician, tasks: those, settled: isSettled }) =>
        those.every((t) => tasks[t] && tasks[t].costOn[day]! < Number.POSITIVE_INFINITY) &&
        (technician === null
          ? day >= days
          : isSettled
            ? settled.some((visit) => visit.day === day && visit.technician === technician)
            : isOpen[day] &&
              technicians[technician]!.hoursMin[day]! > 0 &&
              technicianCost[technician]! < Number.POSITIVE_INFINITY),
    ) &&
    settled.every(({ day, technician, tasks: those }) =>
      visits.some(
        (visit) =>
          visit.settled &&
          visit.day === day &&
          visit.technician === technician &&
          those.every((t) => visit.tasks.includes(t)),
      ),
    )
  )
}

const settledOnly = (problem: FirmProblem, s: number): PlannedVisit[] =>
  problem.sites[s]!.settled.map((visit) => ({ ...visit, settled: true }))

/** One technician’s day looks cheap to all that are planned anew. */
const toOneDay = (problem: FirmProblem, dice: Dice): Lure => {
  const at = Math.floor(dice.next() * problem.days)
  const who = Math.floor(dice.next() * problem.technicians.length)
  const share = dice.between(0, 0.6)
  return { trip: (cost, day, technician) => (day === at && technician === who ? cost * share : cost) }
}

/** Every trip a little dearer or cheaper than it is. */
const noisy = (_: FirmProblem, dice: Dice): Lure => {
  const much = dice.pick([0, 0, 0.1, 0.3])
  return { trip: (cost) => cost * (1 + much * (dice.next() - 0.5)) }
}

/** A day is left to others. */
const awayFromOneDay = ({ days, overCost }: FirmProblem, dice: Dice): Lure => ({
  trip: (cost) => cost,
  crowded: { day: Math.floor(dice.next() * days), perMinute: overCost * dice.next() },
})

const lures = [toOneDay, toOneDay, noisy, noisy, awayFromOneDay]

function nearest({ sites, travelMin }: FirmProblem, movable: number[]): Map<number, number[]> {
  return new Map(
    movable.map((s) => {
      const far = (other: number) => (other === s ? -1 : travelMin[sites[s]!.place]![sites[other]!.place]!)
      return [s, [...movable].sort((a, b) => far(a) - far(b)).slice(0, 2 * mostTogether)]
    }),
  )
}

function shuffled<T>(of: readonly T[], dice: Dice): T[] {
  return of
    .map((one) => ({ one, key: dice.next() }))
    .sort((a, b) => a.key - b.key)
    .map(({ one }) => one)
}
