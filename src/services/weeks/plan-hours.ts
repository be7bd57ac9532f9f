import type { Setting } from '../../core/ledger/setting-kinds.ts'
import { fromDay, weekday } from '../../core/quantity/local-day.ts'
import type { Histories } from '../../core/standing/histories.ts'
import { siteOpening } from '../../core/standing/site-opening.ts'
import type { PlanTechnician } from '../../core/visits/firm-problem.ts'
import type { KeptRecord } from '../../records/kept.ts'

/** Everybody’s break: so long, begun between these. From memory. */
export const usualBreak = { minutes: 30, from: 11 * 60 + 30, to: 13 * 60 + 30 }

/** Days somebody is away, with the entry that says it. */
export type Absence = Setting<'absence'> & { id: string }

/** Somebody’s minutes on each of some days. */
export function hoursOf(
  { id, leftOn, workWeekdays, startsAt, endsAt }: KeptRecord<'technician'>,
  place: number,
  start: number,
  absences: Absence[],
  days: number,
): PlanTechnician {
  const minutes = leftOn ? 0 : Math.max(0, minuteOf(endsAt) - minuteOf(startsAt) - usualBreak.minutes)
  return {
    place,
    hoursMin: Array.from({ length: days }, (_, d) =>
      workWeekdays.includes(String(weekday(start + d))) && !awayOn(absences, id, fromDay(start + d)) ? minutes : 0,
    ),
  }
}

/** Why somebody is away on a day, where they are. */
export const awayOn = (absences: Absence[], technicianId: string, day: string): Absence | undefined =>
  absences.find((one) => one.technicianId === technicianId && one.from <= day && day <= one.to)

/** Minutes after midnight. @example minuteOf('08:30') // 510 */
export const minuteOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5))

/** By day: whether somebody may come, as the nearest of site, customer and firm says. */
export function openDaysOf(histories: Histories, visiting: Setting<'visit-hours'> | null, days: number[]): Uint8Array {
  const { openDays } = siteOpening(histories)
  const may = (day: number) => visiting?.weekdays.includes(weekday(day)) ?? true
  return Uint8Array.from(days, (day) => (openDays.plain.count(day, day + 1) > 0 && may(day) ? 1 : 0))
}

/**
 * Whether somebody knows all the kinds of machine there is work on.
 * @example knows({ knowsKinds: 'c2 sr' }, ['c2']) // true
 */
export function knows({ knowsKinds }: Pick<KeptRecord<'technician'>, 'knowsKinds'>, kinds: Iterable<string>): boolean {
  const known = new Set(knowsKinds.split(' ').filter(Boolean))
  return known.size === 0 || [...kinds].every((kind) => known.has(kind))
}
