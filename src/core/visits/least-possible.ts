import { chooseVisits } from './choose-visits.ts'
import type { FirmProblem } from './firm-problem.ts'

/**
 * No plan can cost less: each site is planned by itself as if nobody’s hours ever ran out, and as if its two shortest
 * roads were the ones that a visit takes. In every way round a stop has one road in and one out.
 */
export function leastPossible(problem: FirmProblem): number {
  const { sites, technicians, travelMin, days, daysAfter } = problem
  const homes = technicians.map(({ place }) => place)
  return sites.reduce((sum, site, s) => {
    // A road home belongs to the stop at its end, a road between two stops to each of them by half.
    const [first = 0, second = 0] = [
      ...homes.flatMap((home) => [home, home]).map((home) => nearer(home, site.place)),
      ...sites.filter((_, other) => other !== s).map(({ place }) => nearer(place, site.place) / 2),
    ].sort((a, b) => a - b)
    const road = first + second
    const cheapest = Math.min(...Array.from(site.technicianCost, (cost) => cost))
    const tripCost = Array.from({ length: days + daysAfter }, (_, day) => {
      if (day >= days) return site.laterTripCost
      if (site.settled.some((visit) => visit.day === day)) return 0
      if (!site.isOpen[day] || !technicians.some(({ hoursMin }) => hoursMin[day]! > 0)) return Number.POSITIVE_INFINITY
      const wasThere = site.was.some((visit) => visit.day === day)
      return road + site.stopMin + (site.dayCost?.[day] ?? 0) + cheapest - (wasThere ? problem.changedCost : 0)
    })
    const isSettled = new Set(site.settled.flatMap(({ tasks }) => tasks))
    const fixed = site.settled.reduce(
      (all, { day, tasks }) => tasks.reduce((own, t) => own + site.tasks[t]!.costOn[day]!, all),
      0,
    )
    const chosen = chooseVisits(
      tripCost,
      site.tasks.filter((_, t) => !isSettled.has(t)),
    )
    const promised = site.was.filter(({ day }) => day < days).length * problem.changedCost
    return sum + fixed + promised + (chosen?.cost ?? 0)
  }, 0)

  function nearer(a: number, b: number): number {
    return Math.min(travelMin[a]![b]!, travelMin[b]![a]!)
  }
}
