import type { DrivenRoad } from './travel.ts'

/** A visit whose times somebody looked at. */
export interface TimedVisit {
  siteId: string
  technicianIds: readonly string[]
  /** Instants, ISO 8601. */
  arrivedAt: string
  leftAt?: string
}

/** Whoever took longer than that did something else between; a break is in the median’s tail. From memory, min. */
const longestMin = 120

/**
 * Drives between places as they were made: from leaving one to arriving at the next, of one technician within a day.
 * Parking and the way to the door are in them.
 *
 * @example drivesOf([{ siteId: 'a', …, leftAt: '…T09:12Z' }, { siteId: 'b', …, arrivedAt: '…T09:30Z' }]) // [{ from: 'a', to: 'b', minutes: 18 }]
 */
export function drivesOf(visits: readonly TimedVisit[]): DrivenRoad[] {
  const byPerson = new Map<string, TimedVisit[]>()
  for (const visit of visits)
    for (const id of visit.technicianIds) byPerson.set(id, [...(byPerson.get(id) ?? []), visit])
  return [...byPerson.values()].flatMap((own) => {
    const inOrder = own.sort((a, b) => a.arrivedAt.localeCompare(b.arrivedAt))
    return inOrder.slice(1).flatMap((next, i): DrivenRoad[] => {
      const before = inOrder[i]!
      if (!before.leftAt || before.siteId === next.siteId) return []
      const minutes = (Date.parse(next.arrivedAt) - Date.parse(before.leftAt)) / 60_000
      return minutes > 0 && minutes <= longestMin ? [{ from: before.siteId, to: next.siteId, minutes }] : []
    })
  })
}
