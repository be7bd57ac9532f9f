import { fromDay, type LocalDay, toDay } from '../../core/quantity/local-day.ts'
import { greatCircleKm } from '../../core/rounds/travel.ts'
import { appointmentsStanding } from '../../core/visits/appointments.ts'
import { arrangedSince } from '../../records/calendars.ts'
import type { Trx } from '../../records/database.ts'
import { allKept, type KeptRecord, keptByIds } from '../../records/kept.ts'
import { sitesByContract } from '../../records/plan.ts'
import { hasGoneOn, hasMoreSites, type KeptPart, theirSitesDue, timesKept } from '../../records/plan-parts.ts'
import { placeOf } from './plan-roads.ts'

/** Days that are planned one by one, from today. */
export const plannedDays = 84
/** Weeks after them, so that what falls due soon after is neither pulled in nor forgotten. */
export const weeksAfter = 14
/** More sites than these are not planned together: every road between any two of them is reckoned. */
export const mostTogether = 600

/** Sites that are planned together. */
export interface PlanPart {
  /** The firm’s id, or that of the technician who goes there. */
  id: string
  /** Whose sites they are; null: everybody’s. */
  of: string[] | null
}

/**
 * What a firm plans together: everything; or, where there are too many sites for that, each technician’s own. Sites of
 * one who is at work no more go to whoever begins the day nearest to where they did.
 */
export async function planParts(trx: Trx, firmId: string): Promise<PlanPart[]> {
  if (!(await hasMoreSites(trx, mostTogether))) return [{ id: firmId, of: null }]
  const people = await allKept(trx, 'technician')
  const atWork = people.some(isAtWork) ? people.filter(isAtWork) : people
  const standIn = (gone: KeptRecord<'technician'>) => {
    const from = placeOf(gone.startLatitude, gone.startLongitude)
    const far = ({ startLatitude, startLongitude }: KeptRecord<'technician'>) => {
      const to = placeOf(startLatitude, startLongitude)
      return from && to ? greatCircleKm(from, to) : Number.MAX_VALUE
    }
    return atWork.reduce((best, one) => (far(one) < far(best) ? one : best)).id
  }
  const gone = people.filter((one) => !atWork.includes(one)).map((one) => [one.id, standIn(one)] as const)
  return atWork.map(({ id }) => ({ id, of: [id, ...gone.filter(([, by]) => by === id).map(([whose]) => whose)] }))
}

/** Whether somebody goes to anybody on some day of the week. */
export const isAtWork = ({ leftOn, workWeekdays }: KeptRecord<'technician'>): boolean => !leftOn && workWeekdays !== ''

/** The part that has a technician’s sites. */
export const partWith = (parts: PlanPart[], technicianId: string): PlanPart | undefined =>
  parts.find(({ of }) => of === null || of.includes(technicianId))

/** The sites of a part, and those of others to which its technician is promised. */
export interface SitesTogether {
  siteIds: string[]
  goes: string[]
  elsewhere: Set<string>
  /** Sites that fall due after those: too many for one technician’s weeks. */
  beyond: number
}

/** Which sites a part has; undefined where it has all. */
export async function sitesTogether(
  trx: Trx,
  { id, of }: PlanPart,
  today: LocalDay,
): Promise<SitesTogether | undefined> {
  if (of === null) return undefined
  const until = fromDay(toDay(today) + plannedDays + 7 * weeksAfter)
  const [due, byContract, arranged] = await Promise.all([
    theirSitesDue(trx, of, until),
    sitesByContract(trx),
    arrangedSince(trx, today, { technicianId: id }),
  ])
  const theirs = (await keptByIds(trx, 'site', byContract)).filter(({ technicianId }) => of.includes(technicianId))
  const own = new Set([...due.slice(0, mostTogether), ...theirs.map(({ id: siteId }) => siteId)])
  const promised = appointmentsStanding(arranged).filter(({ last }) => last.body.technicianId === id)
  const elsewhere = new Set(promised.map(({ siteId }) => siteId).filter((siteId) => !own.has(siteId)))
  return { siteIds: [...own, ...elsewhere], goes: [id], elsewhere, beyond: Math.max(0, due.length - mostTogether) }
}

/** Whether something has gone on since a part was planned: the day, the ledger, sites and people. */
export async function isOld(
  trx: Trx,
  { of }: PlanPart,
  kept: KeptPart | null,
  { today, seq }: { today: LocalDay; seq: number },
): Promise<boolean> {
  if (!kept || kept.madeOn !== today || kept.body.kept !== (await timesKept(trx, of))) return true
  return kept.seq !== seq && (of === null || kept.seq === 0 || (await hasGoneOn(trx, of, kept.seq)))
}
