import ical, { ICalCalendarMethod, ICalEventStatus } from 'ical-generator'
import { tzlib_get_ical_block } from 'timezones-ical-library'
import { fromDay, toDay } from '../core/quantity/local-day.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { type CalendarVisit, calendarVisits } from '../core/visits/calendar-visits.ts'
import {
  addCalendar,
  arrangedOf,
  arrangedSince,
  calendarByToken,
  calendarSince,
  dropCalendar,
} from '../records/calendars.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { technicianById, theFirm } from '../records/firms.ts'
import { type KeptRecord, keptByIds } from '../records/kept.ts'
import type { Actor } from './judge-entry.ts'
import { digest, newToken } from './signing-in/tokens.ts'

/** Visits so long past stay in a calendar. */
const keptDays = 60

/** Makes a secret address for one’s own calendar. It is shown once; only its digest is kept. */
export async function makeCalendar(db: Db, actor: Actor): Promise<{ token: string }> {
  const token = newToken()
  await addCalendar(db, digest(token), actor)
  return { token }
}

/** The address opens nothing any more. */
export const endCalendar = (db: Db, { firmId, technicianId }: Actor): Promise<void> =>
  dropCalendar(db, firmId, technicianId)

export const ownCalendarSince = (db: Db, { firmId, technicianId }: Actor): Promise<string | null> =>
  calendarSince(db, firmId, technicianId)

/**
 * Somebody’s agreed visits as an iCalendar file (RFC 5545), each at the clock of its place. No telephone number, no key,
 * no word on access is in it: an address may be passed on.
 *
 * @returns null where the address is nobody’s any more
 */
export async function calendarFeed(db: Db, token: string, now: Date): Promise<string | null> {
  const whose = await calendarByToken(db, digest(token))
  if (!whose) return null
  return lookIn(db, whose.firmId, async (trx) => {
    const [firm, person] = [(await theFirm(trx))!, await technicianById(trx, whose.technicianId)]
    if (!person || person.leftOn) return null
    const since = fromDay(toDay(dayAt(firm.timeZone, now)) - keptDays)
    const visits = calendarVisits(await arrangedSince(trx, since), whose.technicianId)
    return fileOf(
      `${person.name}, ${firm.name}`,
      firm.name,
      visits,
      await sitesOf(trx, visits),
      ICalCalendarMethod.PUBLISH,
    )
  })
}

/**
 * One agreed visit as a file to send to the customer.
 * @returns null where no such visit is agreed
 */
export async function visitInvitation(db: Db, firmId: string, visitId: string): Promise<string | null> {
  return lookIn(db, firmId, async (trx) => {
    const firm = (await theFirm(trx))!
    const said = await arrangedOf(trx, visitId)
    const technicianIds = new Set(
      said.flatMap((entry) => (entry.kind === 'appointment' ? [entry.body.technicianId] : [])),
    )
    const visit = [...technicianIds]
      .flatMap((id) => calendarVisits(said, id))
      .find((one) => one.visitId === visitId && one.state === 'confirmed')
    if (!visit) return null
    return fileOf(
      firm.name,
      firm.name,
      [visit],
      await sitesOf(trx, [visit]),
      ICalCalendarMethod.PUBLISH,
      (site) => `${firm.name} at ${site}`,
    )
  })
}

const sitesOf = async (trx: Trx, visits: CalendarVisit[]) =>
  new Map(
    (await keptByIds(trx, 'site', [...new Set(visits.map(({ siteId }) => siteId))])).map((site) => [site.id, site]),
  )

function fileOf(
  name: string,
  firm: string,
  visits: CalendarVisit[],
  sites: Map<string, KeptRecord<'site'>>,
  method: ICalCalendarMethod,
  summary: (site: string) => string = (site) => site,
): string {
  const calendar = ical({
    name,
    method,
    prodId: { company: 'Even Shot', product: 'visits', language: 'EN' },
    ttl: 3600,
    timezone: { name: 'UTC', generator: (zone) => vtimezone(zone) },
  })
  for (const { visitId, siteId, sequence, state, last, saidAt } of visits) {
    const site = sites.get(siteId)
    if (!site) continue
    const { on, from, minutes, tasks } = last.body
    const { latitude, longitude } = site
    calendar.createEvent({
      id: `${visitId}@visits.even-shot`,
      sequence,
      stamp: new Date(saidAt),
      lastModified: new Date(saidAt),
      status: statuses[state],
      summary: summary(site.name),
      // Wall-clock times are given as words: the zone beside them says whose clock.
      start: from ? `${on}T${from}:00` : `${on}T00:00:00`,
      end: from ? endOf(on, from, minutes) : `${fromDay(toDay(on) + 1)}T00:00:00`,
      allDay: !from,
      ...(from && { timezone: site.timeZone }),
      ...((site.address || site.area) && {
        location: {
          title: site.address || site.area,
          ...(latitude !== undefined && longitude !== undefined && { geo: { lat: latitude, lon: longitude } }),
        },
      }),
      description: `${firm}. ${from ? '' : 'No time was promised. '}About ${Math.round(minutes)} min${tasks.length > 0 ? `, ${tasks.length} ${tasks.length === 1 ? 'task' : 'tasks'}` : ''}.`,
    })
  }
  return calendar.toString()
}

const statuses = {
  confirmed: ICalEventStatus.CONFIRMED,
  tentative: ICalEventStatus.TENTATIVE,
  cancelled: ICalEventStatus.CANCELLED,
}

/** A wall-clock time so many minutes on; a visit does not go on past midnight twice. */
function endOf(on: string, from: string, minutes: number): string {
  const end = new Date(Date.parse(`${on}T${from}:00Z`) + Math.max(15, Math.round(minutes)) * 60_000)
  return end.toISOString().slice(0, 19)
}

/** How a zone’s clock goes, for whoever reads the file; none for a zone the table does not have. */
function vtimezone(zone: string): string | null {
  const [block] = tzlib_get_ical_block(zone) || []
  return block ?? null
}
