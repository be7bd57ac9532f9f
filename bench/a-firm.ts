import { diceOf } from '../src/core/quantity/dice.ts'
import type { FirmProblem, PlanSite, PlanTask } from '../src/core/visits/firm-problem.ts'

interface Size {
  sites: number
  technicians: number
  days: number
  daysAfter?: number
  /** Of a day’s work. */
  hoursMin?: number
  tasks?: number
  /** Share of the sites with a settled visit, and with one proposed before. */
  settled?: number
  was?: number
}

/** A firm that nobody ever saw: sites strewn about a town, tasks with days they fall due on. */
export function someFirm(seed: number, size: Size): FirmProblem {
  const { days, daysAfter = 0, hoursMin = 240, tasks = 4, settled = 0, was = 0 } = size
  const dice = diceOf(seed)
  const whole = (from: number, to: number) => Math.round(dice.between(from, to))
  const n = size.sites + size.technicians
  const places = Array.from({ length: n }, () => [dice.between(0, 30), dice.between(0, 30)] as const)
  const travelMin = places.map(([x, y], i) =>
    places.map(([u, w], j) => (i === j ? 0 : Math.round(5 + Math.hypot(x - u, y - w)))),
  )
  const columns = days + daysAfter
  const someTask = (): PlanTask => {
    const due = dice.between(-4, columns + 2)
    const early = dice.between(0, 2)
    const late = dice.between(0.5, 8)
    const earliest = dice.next() < 0.15 ? whole(0, days / 2) : 0
    const costOn = Array.from({ length: columns }, (_, d) =>
      d < earliest ? Number.POSITIVE_INFINITY : d < due ? early * (due - d) : late * (d - due),
    )
    return { costOn, leftCost: late * Math.max(0, columns - due) + 40, minutes: whole(10, 60) }
  }
  const sites = Array.from({ length: size.sites }, (_, s): PlanSite => {
    const isOpen = Array.from({ length: days }, (_, d) => (d + s) % 7 !== 0 && dice.next() < 0.85)
    const own = Array.from({ length: 1 + Math.floor(dice.next() * tasks) }, someTask)
    const day = whole(1, days - 1)
    const technician = Math.floor(dice.next() * size.technicians)
    const isSettled = dice.next() < settled && Number.isFinite(own[0]!.costOn[day]!)
    return {
      place: s,
      tasks: own,
      isOpen,
      stopMin: 4,
      dayCost: Array.from({ length: days }, (_, d) => (d % 5 === s % 5 ? 0 : 2)),
      technicianCost: Array.from({ length: size.technicians }, (_, k) =>
        k !== technician && dice.next() < 0.1 ? Number.POSITIVE_INFINITY : k === technician ? 0 : 6,
      ),
      settled: isSettled ? [{ day, technician, tasks: [0] }] : [],
      was: !isSettled && dice.next() < was && isOpen[day] ? [{ day, technician }] : [],
      laterTripCost: 45,
    }
  })
  return {
    days,
    daysAfter,
    travelMin,
    sites,
    technicians: Array.from({ length: size.technicians }, (_, k) => ({
      place: size.sites + k,
      hoursMin: Array.from({ length: days }, (_, d) => ((d + k) % 7 === 6 ? 0 : hoursMin)),
    })),
    overCost: 3,
    changedCost: 12,
  }
}
