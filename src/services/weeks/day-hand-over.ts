import { bestHandOver } from '../../core/rounds/hand-over.ts'
import type { DayHandOver, DayPerson, DayStop } from '../../views/day-page.ts'
import type { DayRead } from './day-read.ts'
import { knows } from './plan-hours.ts'

/**
 * What one of a day’s technicians should give to another, where that brings in what does not fit or saves road. Whoever
 * is away has everything to give; nobody gets what they do not know, nor a visit that has begun.
 */
export function handOverOf(
  { input, machines }: DayRead,
  stops: readonly DayStop[],
  people: readonly DayPerson[],
  travelMin: readonly (readonly number[])[],
): DayHandOver | null {
  if (people.length < 2) return null
  const kindsAt = (stop: number) => {
    const { siteId, tasks, faults } = stops[stop]!
    const worked = new Set([...tasks.map(({ subjectId }) => subjectId), ...faults.map(({ machineId }) => machineId)])
    return machines.filter((machine) => machine.siteId === siteId && worked.has(machine.id)).map(({ kind }) => kind)
  }
  const isAway = (k: number) => people[k]!.away !== null
  const found = bestHandOver(
    {
      travelMin,
      stops: stops.map(({ serviceMin, open }, place) => ({ place, serviceMin, open })),
      outings: people.map(({ outing }) => outing),
      may: (stop, k) => !isAway(k) && knows(input.technicians.find(({ id }) => id === people[k]!.id)!, kindsAt(stop)),
    },
    people.map(({ order }, k) => (isAway(k) ? [] : order)),
    people.flatMap(({ order, left }, k) => [
      ...(isAway(k) ? order.map((stop) => ({ stop, of: k })) : []),
      ...left.map(({ stop }) => ({ stop, of: k })),
    ]),
    (stop) => stops[stop]!.arrivedMin === undefined,
  )
  if (!found) return null
  return {
    moves: found.moves.map(({ stop, from, to }) => ({ stop, fromId: people[from]!.id, toId: people[to]!.id })),
    savesMin: Math.round(found.savesMin),
    more: found.more,
    orders: Object.fromEntries([...found.orders].map(([k, order]) => [people[k]!.id, order])),
  }
}
