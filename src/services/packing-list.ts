import type { Preferences } from '../core/firm/preferences.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { photosIn } from '../core/ledger/photos-in.ts'
import { fromDay, type LocalDay, toDay } from '../core/quantity/local-day.ts'
import { type Db, lookIn } from '../records/database.ts'
import { theFirm } from '../records/firms.ts'
import { latestPictured, machinesAt } from '../records/packing.ts'
import type { PackingLine, PackingList } from '../views/packing-list.ts'
import { dayPage } from './weeks/day.ts'

/** Of the days to come, those of so many weekdays and no later. */
const mostDays = 4
const withinDays = 8
/** Of each machine the photos of its last entries that have any, so many at most: some 20 kB each. */
const mostPhotos = 6
/** Nobody has more machines before them in a few days; of places with more, the rest is fetched when it is opened. */
const mostMachines = 200

interface Asks {
  technician: { id: string; name: string; initials: string }
  firm: { id: string; name: string; timeZone: string; preferences: Preferences }
  today: LocalDay
  now: Date
  /** Places somebody keeps on this device by hand. */
  keptSites: string[]
  /** Machines that were looked at lately. */
  opened: string[]
}

/**
 * What somebody’s device takes along: their day and the days they are expected somewhere next, with the places, their
 * machines and all that a reckoning reads; then what is kept by hand, then what was looked at lately.
 */
export async function packingList(
  db: Db,
  { technician, firm, today, now, keptSites, opened }: Asks,
): Promise<PackingList> {
  const dayOf = (on: LocalDay) => dayPage(db, firm.id, { on, today, now, technicianId: technician.id })
  const first = await dayOf(today)
  const last = fromDay(toDay(today) + withinDays)
  const next = first.daysOut.filter((on) => on > today && on <= last).slice(0, mostDays - 1)
  const days = [first, ...(await Promise.all(next.map(dayOf)))]
  const isMine = ({ technicianId }: { technicianId: string }) => technicianId === technician.id
  const daySites = [...new Set(days.flatMap(({ stops }) => stops.filter(isMine).map(({ siteId }) => siteId)))]
  const byHand = keptSites.filter((id) => !daySites.includes(id))
  const { seq, there, lately } = await lookIn(db, firm.id, async (trx) => ({
    seq: (await theFirm(trx))?.seq ?? 0,
    there: await machinesAt(trx, { siteIds: [...daySites, ...byHand] }),
    lately: await machinesAt(trx, { ids: opened }),
  }))
  const atHand = [...there.filter(({ siteId }) => [...daySites, ...byHand].includes(siteId)), ...lately].map(
    ({ id }) => id,
  )
  const pictured = await lookIn(db, firm.id, (trx) => latestPictured(trx, atHand.slice(0, mostMachines), mostPhotos))
  const at = (siteIds: string[]) => there.filter(({ siteId }) => siteIds.includes(siteId))
  const machineLines = (machines: { id: string }[], why: PackingLine['why']): PackingLine[] =>
    machines.flatMap(({ id }) => [
      { address: `/api/machines/${id}/bundle`, why },
      { address: `/api/machines/${id}/noted`, why },
    ])
  const siteLines = (ids: string[], why: PackingLine['why']): PackingLine[] => [
    ...ids.map((id) => ({ address: `/sites/${id}`, why, isPage: true as const })),
    ...[...new Set(at(ids).flatMap(({ softenerId }) => softenerId ?? []))].map((id) => ({
      ...{ address: `/softeners/${id}`, why, isPage: true as const },
    })),
  ]
  const lines: PackingLine[] = [
    { address: '/api/machines/all', why: 'frame' },
    ...days.map(({ on }): PackingLine => ({ address: `/api/round/day?on=${on}&who=${technician.id}`, why: 'day' })),
    ...machineLines(at(daySites), 'day').slice(0, 2 * mostMachines),
    ...siteLines(daySites, 'day'),
    { address: '/round', why: 'frame', isPage: true },
    { address: '/round/call', why: 'frame', isPage: true },
    { address: '/round/weeks', why: 'frame', isPage: true },
    ...machineLines(at(byHand), 'by-hand').slice(0, 2 * mostMachines),
    ...siteLines(byHand, 'by-hand'),
    ...machineLines(lately, 'opened'),
    // Last of all: the words of a day are worth more than its pictures.
    ...photoLines(pictured),
  ]
  return {
    technician,
    firm,
    now: now.toISOString(),
    seq,
    days: days.map(({ on }) => on),
    sites: [...daySites, ...byHand],
    machines: [...new Set([...at([...daySites, ...byHand]), ...lately].map(({ id }) => id))],
    lines: [...new Map(lines.reverse().map((line) => [line.address, line])).values()].reverse(),
  }
}

/** The latest photos of each machine, small. */
function photoLines(pictured: RecordedEntry[]): PackingLine[] {
  const byMachine = new Map<string, string[]>()
  for (const entry of pictured) {
    const names = byMachine.get(entry.subjectId) ?? []
    byMachine.set(entry.subjectId, [...names, ...photosIn(entry).map(({ name }) => name)].slice(0, mostPhotos))
  }
  return [...byMachine.values()].flat().map((name) => ({ address: `/api/photos/${name}/small`, why: 'opened' }))
}
