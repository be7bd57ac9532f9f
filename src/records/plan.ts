import type { Knex } from 'knex'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Coordinates } from '../core/rounds/travel.ts'
import type { Standing } from '../core/standing/standing.ts'
import type { Bounds } from '../core/usage/first-passage.ts'
import type { Trx } from './database.ts'
import { toEntry, withCorrections } from './ledger.ts'

/** One thing due at a site, as a plan weighs it. */
export interface DueHere {
  siteId: string
  subjectId: string
  /** A site where the visit itself is what is due. */
  subjectKind: 'machine' | 'softener' | 'site'
  machineName: string
  machineKind: string | null
  standing: Pick<
    Standing,
    'key' | 'task' | 'name' | 'instance' | 'action' | 'part' | 'since' | 'minutes' | 'governing' | 'caution'
  > & { due: Bounds<LocalDay> }
}

/** Everything that falls due until a day, by site. @param only - of these sites; all where it is left out */
export async function dueUntil(trx: Trx, until: LocalDay, only?: string[]): Promise<DueHere[]> {
  const query = trx('standing as st')
    .join('subject as su', (on) => on.on('su.firm_id', 'st.firm_id').andOn('su.id', 'st.subject_id'))
    .join('site as s', (on) => on.on('s.firm_id', 'st.firm_id').andOn('s.id', 'st.site_id'))
    .leftJoin('machine as m', (on) => on.on('m.firm_id', 'st.firm_id').andOn('m.id', 'st.subject_id'))
    .leftJoin('softener as f', (on) => on.on('f.firm_id', 'st.firm_id').andOn('f.id', 'st.subject_id'))
    .where('st.due_p50', '<=', until)
    .whereNull('s.retired_on')
    .orderBy(['st.site_id', 'st.due_p50', 'st.subject_id', 'st.key'])
    .select('st.site_id', 'st.subject_id', 'st.detail', 'su.kind', 'm.kind as machine_kind')
    .select(trx.raw('coalesce(m.name, f.name) as name'))
  if (only) void query.whereRaw('st.site_id = any(?)', [only])
  return (await query).map((row) => ({
    siteId: row.site_id,
    subjectId: row.subject_id,
    subjectKind: row.kind,
    machineName: row.name ?? '',
    machineKind: row.machine_kind,
    standing: row.detail,
  }))
}

/**
 * Sites of which somebody wrote that there is, or was, a visit on a day: arranged, moved, called off, or been.
 * @param by - of these technicians; of anybody where it is left out
 */
export async function sitesNamedOn(trx: Trx, day: LocalDay, by?: string[]): Promise<string[]> {
  const arranged = trx('entry').where('kind', 'appointment').whereRaw("body->>'on' = ?", [day]).select('subject_id')
  const been = trx('entry').where('kind', 'visit').where('happened_on', day).select('subject_id')
  if (by) {
    void arranged.whereRaw("body->>'technicianId' = any(?)", [by])
    void been.whereRaw(
      "exists (select from json_array_elements_text(body->'technicianIds') as t(id) where t.id = any(?))",
      [by],
    )
  }
  const rows = await arranged.union(been)
  return rows.map(({ subject_id }) => subject_id)
}

/** What was said of the order of a day, by anybody, the earliest first. */
export async function ordersOf(trx: Trx, day: LocalDay): Promise<RecordedEntry[]> {
  const rows = await trx('entry').where('kind', 'day-order').whereRaw("body->>'on' = ?", [day]).orderBy('seq')
  return rows.map(toEntry)
}

/** Visits somebody made under some ids, on whatever day, or since a day; and what corrects or withdraws them. */
export const visitsMade = (trx: Trx, visitIds: string[], since: LocalDay): Promise<RecordedEntry[]> =>
  visitsIn(trx, (visits) =>
    visits.where((any) => any.where('happened_on', '>=', since).orWhereRaw('visit_id = any(?)', [visitIds])),
  )

/** Visits since a day of which somebody wrote when they arrived, and what corrects or withdraws them. */
export const timedVisitsSince = (trx: Trx, day: LocalDay): Promise<RecordedEntry[]> =>
  visitsIn(trx, (visits) => visits.where('happened_on', '>=', day).whereRaw("body->>'arrivedAt' is not null"))

const visitsIn = async (trx: Trx, narrow: (visits: Knex.QueryBuilder) => Knex.QueryBuilder): Promise<RecordedEntry[]> =>
  withCorrections(trx, await narrow(trx('entry').where('kind', 'visit')))

/** Everything said of tasks that wait for something, and what corrects or withdraws it. */
export const waitsSaid = async (trx: Trx): Promise<RecordedEntry[]> =>
  withCorrections(trx, await trx('entry').where('kind', 'setting').whereRaw("body->>'setting' = 'waits'"))

/** Sites of which somebody said that visits go by contract there. */
export async function sitesByContract(trx: Trx): Promise<string[]> {
  const rows = await trx('entry')
    .where('kind', 'setting')
    .whereRaw("body->>'setting' = 'contract'")
    .distinct('subject_id')
  return rows.map(({ subject_id }) => subject_id)
}

/** Sites in service whose place is known, within the stretch of land that some places span and a little around it. */
export async function sitesAround(trx: Trx, places: Coordinates[], most: number): Promise<SiteAround[]> {
  if (places.length === 0) return []
  const span = (of: number[]) => {
    const [least, last] = [Math.min(...of), Math.max(...of)]
    const around = Math.max(0.01, (last - least) * 0.3)
    return [least - around, last + around] as [number, number]
  }
  const rows = await trx('site')
    .whereNull('retired_on')
    .whereBetween('latitude', span(places.map(({ latitude }) => latitude)))
    .whereBetween('longitude', span(places.map(({ longitude }) => longitude)))
    .orderBy('name')
    .limit(most)
    .select('id', 'name', 'latitude', 'longitude')
  return rows.map(({ id, name, latitude, longitude }) => ({ siteId: id, name, place: { latitude, longitude } }))
}

interface SiteAround {
  siteId: string
  name: string
  place: Coordinates
}

/** Machines that stand at some sites. */
export async function machinesAt(trx: Trx, siteIds: string[]): Promise<MachineThere[]> {
  const rows = await trx('machine')
    .whereRaw('site_id = any(?)', [siteIds])
    .orderBy('name')
    .select('id', 'site_id', 'name', 'maker', 'model', 'kind')
  return rows.map(({ site_id, ...row }) => ({ siteId: site_id, ...row }))
}

export interface MachineThere {
  id: string
  siteId: string
  name: string
  maker: string
  model: string
  kind: string
}
