import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'

/** A visit that a plan proposes. */
export interface ProposedVisit {
  siteId: string
  on: LocalDay
  technicianId: string
  /** Subject and key of each task. */
  tasks: [subjectId: string, key: string][]
}

/** A proposed visit that was put on another day, or nowhere. */
export interface MovedProposal {
  siteId: string
  from: LocalDay
  to: LocalDay | null
  /** What that saves over all, minutes; null: it could not stay. */
  savesMin: number | null
  saidOn: LocalDay
}

/** What was planned together, as it was last made; its visits stand beside it, see `proposedVisits`. */
export interface KeptPart {
  /** The firm, where all its sites are planned together; else the technician whose sites they are. */
  part: string
  madeOn: LocalDay
  /** The last entry of the ledger it knew. */
  seq: number
  body: {
    /** How often the records of sites and technicians it knew had been kept, added up. */
    kept: number
    /** Of the whole part, and what no plan can be below; minutes. */
    cost: number
    least: number
    /** What was moved in the last days; absent in a plan that was made before that was kept. */
    moved?: MovedProposal[]
  }
}

export async function keptPart(trx: Trx, part: string): Promise<KeptPart | null> {
  const row = await trx('plan').where({ part }).first()
  return row ? { part, madeOn: row.made_on, seq: Number(row.seq), body: row.body } : null
}

/** When any of it was last made; null where no plan is. */
export async function plannedOn(trx: Trx): Promise<LocalDay | null> {
  const row = await trx('plan').max({ on: 'made_on' }).first()
  return row?.on ?? null
}

/** The plan that stands knows no longer all. */
export async function outdatePlan(trx: Trx): Promise<void> {
  await trx('plan').update({ seq: 0 })
}

/**
 * Keeps a part with its visits; parts that are none any more go once all that are stand.
 * @param siteIds - the sites it has: what was proposed for them before is proposed no longer
 * @param parts - all there are
 */
export async function keepPart(
  trx: Trx,
  firmId: string,
  { part, madeOn, seq, body }: KeptPart,
  { visits, siteIds, parts }: { visits: ProposedVisit[]; siteIds: string[]; parts: string[] },
): Promise<void> {
  await trx('plan')
    .insert({ firm_id: firmId, part, made_on: madeOn, seq, body: JSON.stringify(body) })
    .onConflict(['firm_id', 'part'])
    .merge()
  await trx('proposed_task').where({ part }).orWhereRaw('site_id = any(?)', [siteIds]).delete()
  const tasks = visits.flatMap(({ siteId, on, technicianId, tasks: those }) =>
    those.map(([subjectId, key]) => ({ subjectId, key, siteId, on, technicianId })),
  )
  await trx.raw(
    `insert into proposed_task (firm_id, part, subject_id, key, site_id, on_day, technician_id)
       select ?, ?, t."subjectId", t.key, t."siteId", t."on", t."technicianId"
       from json_to_recordset(?) as t("subjectId" uuid, key text, "siteId" uuid, "on" date, "technicianId" uuid)
     on conflict (firm_id, subject_id, key) do update
       set part = excluded.part, site_id = excluded.site_id, on_day = excluded.on_day,
           technician_id = excluded.technician_id`,
    [firmId, part, JSON.stringify(tasks)],
  )
  const standing = await trx('plan').whereRaw('part = any(?)', [parts]).count({ n: '*' }).first()
  if (Number(standing?.n ?? 0) === parts.length) await trx('plan').whereRaw('part <> all(?)', [parts]).delete()
}

/** A proposal, and when the plan that has it was made. */
export interface KeptProposal extends ProposedVisit {
  madeOn: LocalDay
}

/** What is proposed: for some sites, on a day, or from a day on, and for some technicians where they are named. */
export async function proposedVisits(
  trx: Trx,
  only: { siteIds?: string[]; on?: LocalDay; from?: LocalDay; technicianIds?: string[] } = {},
): Promise<KeptProposal[]> {
  const { siteIds, on, from, technicianIds } = only
  const query = trx('proposed_task as t')
    .join('plan as p', (join) => join.on('p.firm_id', 't.firm_id').andOn('p.part', 't.part'))
    .orderBy(['t.on_day', 't.site_id', 't.subject_id', 't.key'])
    .select('t.*', 'p.made_on')
  if (siteIds) void query.whereRaw('t.site_id = any(?)', [siteIds])
  if (on) void query.where('t.on_day', on)
  if (from) void query.where('t.on_day', '>=', from)
  if (technicianIds) void query.whereRaw('t.technician_id = any(?)', [technicianIds])
  const visits: KeptProposal[] = []
  for (const row of await query) {
    const task: [string, string] = [row.subject_id, row.key]
    const last = visits.at(-1)
    if (last && last.siteId === row.site_id && last.on === row.on_day) last.tasks.push(task)
    else
      visits.push({
        siteId: row.site_id,
        on: row.on_day,
        technicianId: row.technician_id,
        tasks: [task],
        madeOn: row.made_on,
      })
  }
  return visits
}

/** Days from one on for which something is proposed, to some technicians where they are named. */
export async function proposedDays(trx: Trx, from: LocalDay, technicianIds?: string[]): Promise<LocalDay[]> {
  const query = trx('proposed_task').where('on_day', '>=', from).distinct('on_day').orderBy('on_day')
  if (technicianIds) void query.whereRaw('technician_id = any(?)', [technicianIds])
  return (await query).map(({ on_day: on }) => on)
}

/** Whether there are more sites in service than so many. */
export async function hasMoreSites(trx: Trx, most: number): Promise<boolean> {
  const some = trx('site')
    .whereNull('retired_on')
    .select(trx.raw('1'))
    .limit(most + 1)
  const row = (await trx.count({ n: '*' }).from(some.as('some')).first()) as { n?: number } | undefined
  return Number(row?.n ?? 0) > most
}

/** Some technicians’ sites with something due until a day, those with the soonest first. */
export async function theirSitesDue(trx: Trx, technicianIds: string[], until: LocalDay): Promise<string[]> {
  const rows = await trx('standing as st')
    .join('site as s', (on) => on.on('s.firm_id', 'st.firm_id').andOn('s.id', 'st.site_id'))
    .whereRaw('s.technician_id = any(?)', [technicianIds])
    .whereNull('s.retired_on')
    .where('st.due_p50', '<=', until)
    .groupBy('s.id')
    .orderByRaw('min(st.due_p50), s.id')
    .select('s.id')
  return rows.map(({ id }) => id)
}

/**
 * How often the records of sites and technicians have been kept, added up: it grows with every change.
 * @param whose - of these technicians’ sites; of all where it is left out
 */
export async function timesKept(trx: Trx, whose: string[] | null): Promise<number> {
  const sites = trx('site').sum({ n: 'version' }).first()
  if (whose) void sites.whereRaw('technician_id = any(?)', [whose])
  const [of, people] = await Promise.all([sites, trx('technician').sum({ n: 'version' }).first()])
  return Number((of as { n?: string } | undefined)?.n ?? 0) + Number(people?.n ?? 0)
}

/** Whether something was written since an entry at some technicians’ sites, about what they promised, or of the firm. */
export async function hasGoneOn(trx: Trx, whose: string[], seq: number): Promise<boolean> {
  const row = await trx('entry as e')
    .leftJoin('machine as m', (on) => on.on('m.firm_id', 'e.firm_id').andOn('m.id', 'e.subject_id'))
    .leftJoin('softener as f', (on) => on.on('f.firm_id', 'e.firm_id').andOn('f.id', 'e.subject_id'))
    .leftJoin('site as s', (on) =>
      on.on('s.firm_id', 'e.firm_id').andOn(trx.raw('s.id = coalesce(m.site_id, f.site_id, e.subject_id)')),
    )
    .where('e.seq', '>', seq)
    // In which order somebody drives is no matter of the weeks.
    .whereNot('e.kind', 'day-order')
    .where((any) =>
      any
        .whereRaw('s.technician_id = any(?)', [whose])
        .orWhereRaw(`e.subject_kind not in ('machine', 'softener', 'site')`)
        .orWhere((promised) =>
          promised.where('e.kind', 'appointment').whereRaw(`e.body->>'technicianId' = any(?)`, [whose]),
        ),
    )
    .first('e.id')
  return row !== undefined
}
