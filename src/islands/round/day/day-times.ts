import { clockAt } from '../../../core/quantity/site-time.ts'
import { asDriven, type DrivenDay } from '../../../core/rounds/as-driven.ts'
import type { DayProblem } from '../../../core/rounds/day-problem.ts'
import type { DayPage, DayPerson } from '../../../views/day-page.ts'

/** A page’s stops and roads as the reckoning takes them, for one person. */
export const problemOf = ({ stops, roads }: Pick<DayPage, 'stops' | 'roads'>, { outing }: DayPerson): DayProblem => ({
  travelMin: roads.map((row) => row.map(({ minutes }) => minutes)),
  stops: stops.map(({ serviceMin, open }, place) => ({ place, serviceMin, open })),
  outings: [outing],
})

/** One person’s day as it would go in an order, with its sums. */
export interface DayTimes extends DrivenDay {
  order: number[]
  workMin: number
  roadMin: number
  /** None where a place on the way is not known. */
  roadKm: number | null
  spareMin: number
}

/** When somebody is where, what was done so far left out. */
export function timesOf(page: DayPage, person: DayPerson, order: number[] = person.order): DayTimes {
  const driven = asDriven(problemOf(page, person), person.outing, order)
  const { outing } = person
  const places = order.length === 0 ? [] : [outing.start, ...order, outing.end]
  const legs = places.slice(1).map((to, i) => page.roads[places[i]!]![to]!)
  const km = legs.reduce<number | null>((sum, leg) => (sum === null || leg.km === undefined ? null : sum + leg.km), 0)
  return {
    ...driven,
    order,
    workMin: order.reduce((sum, i) => sum + page.stops[i]!.serviceMin, 0),
    roadMin: legs.reduce((sum, { minutes }) => sum + minutes, 0),
    roadKm: km,
    spareMin: outing.endMin - driven.finishMin,
  }
}

/** A minute of the firm’s day as the clock of the firm shows it. @example clockOf(page, 510) // '08:30' */
export const clockOf = ({ on, timeZone }: Pick<DayPage, 'on' | 'timeZone'>, minute: number): string =>
  clockAt(timeZone, on, minute, timeZone)

/** The same at a place, named where its clock shows another time. @example '09:30 there' */
export function clockThere(page: Pick<DayPage, 'on' | 'timeZone'>, minute: number, timeZone: string): string {
  const here = clockOf(page, minute)
  const there = clockAt(page.timeZone, page.on, minute, timeZone)
  return here === there ? here : `${here}, ${there} there`
}

/** An order with one stop put earlier or later. */
export function moved(order: readonly number[], stop: number, by: 1 | -1): number[] | null {
  const at = order.indexOf(stop)
  const to = at + by
  if (at < 0 || to < 0 || to >= order.length) return null
  return order.toSpliced(at, 1).toSpliced(to, 0, stop)
}
