import { type Reckoning, reckoningVersion } from '../core/standing/standing.ts'
import type { Trx } from './database.ts'
import type { Reckoned } from './subjects.ts'

/** What a board needs of a reckoning besides its standings. */
export type Summary = Omit<Reckoning, 'standings'>

/**
 * Replaces the standings of some machines and softeners by what was just reckoned, in three statements
 * whatever their number. Nothing is kept of one that cannot be reckoned.
 */
export async function storeReckonings(
  trx: Trx,
  firmId: string,
  reckoned: { subject: Reckoned; reckoning: Reckoning | null }[],
): Promise<void> {
  if (reckoned.length === 0) return
  const standings = reckoned.flatMap(({ subject, reckoning }) =>
    (reckoning?.standings ?? []).map((standing) => ({
      subject_id: subject.id,
      key: standing.key,
      site_id: subject.siteId,
      due_p10: standing.due?.p10 ?? null,
      due_p50: standing.due?.p50 ?? null,
      due_p90: standing.due?.p90 ?? null,
      detail: standing,
    })),
  )
  const subjects = reckoned.map(({ subject, reckoning }) => {
    const { standings: _, ...summary } = reckoning ?? { standings: [] }
    return {
      id: subject.id,
      summary,
      stage: reckoning?.stage ?? 'working',
      // Never read comes before all that is old; what has no counter is never old.
      reading_on: reckoning?.counter?.on ?? (reckoning?.uncounted ? 'infinity' : '-infinity'),
    }
  })
  const rows = JSON.stringify(standings)
  const ids = reckoned.map(({ subject }) => subject.id)
  await trx.raw(
    `delete from standing st where st.subject_id = any(:ids) and not exists (
       select from json_to_recordset(:rows::json) as r(subject_id uuid, key text)
       where r.subject_id = st.subject_id and r.key = st.key)`,
    { ids, rows },
  )
  await trx.raw(
    `insert into standing (firm_id, subject_id, key, site_id, due_p10, due_p50, due_p90, detail)
     select :firmId, r.subject_id, r.key, r.site_id, r.due_p10, r.due_p50, r.due_p90, r.detail
     from json_to_recordset(:rows::json) as r(subject_id uuid, key text, site_id uuid,
       due_p10 date, due_p50 date, due_p90 date, detail json)
     on conflict (firm_id, subject_id, key) do update set site_id = excluded.site_id,
       due_p10 = excluded.due_p10, due_p50 = excluded.due_p50, due_p90 = excluded.due_p90, detail = excluded.detail`,
    { firmId, rows },
  )
  await trx.raw(
    `update subject su set stale = false, reckoning_version = :version, summary = r.summary, stage = r.stage,
       reading_on = r.reading_on
     from json_to_recordset(:subjects::json) as r(id uuid, summary json, stage text, reading_on date)
     where su.id = r.id and su.id = any(:ids)`,
    // The ids stand there twice: how long the list is, a planner cannot see, and it would read every subject.
    { ids, version: reckoningVersion, subjects: JSON.stringify(subjects) },
  )
}

/** Machines that something waits for, of one site or one kind. */
export async function machinesAwaiting(
  trx: Trx,
  key: string,
  scope: 'site' | 'kind',
  of: string,
): Promise<{ id: string; siteId: string }[]> {
  const rows = await trx('standing as st')
    .join('machine as m', 'm.id', 'st.subject_id')
    .where('st.key', key)
    .whereRaw(scope === 'site' ? 'm.site_id::text = ?' : 'm.kind = ?', [of])
    .orderBy('m.id')
    .select('m.id', 'm.site_id')
  return rows.map((row) => ({ id: row.id, siteId: row.site_id }))
}

/** What the machines of a site draw together, as last reckoned: L an open day. */
export async function drawnAt(trx: Trx, siteId: string): Promise<{ machines: number; litresPerOpenDay: number }> {
  const { rows } = await trx.raw(
    `select count(*)::int as machines, coalesce(sum((su.summary->>'litresPerOpenDay')::float8), 0) as litres
     from subject su join machine m on m.firm_id = su.firm_id and m.id = su.id
     where m.site_id = ? and su.stage = 'working'`,
    [siteId],
  )
  return { machines: rows[0].machines, litresPerOpenDay: rows[0].litres }
}

/** When what stands of one machine or softener is likeliest due, by its key. */
export async function likelyDues(trx: Trx, subjectId: string): Promise<Map<string, string | null>> {
  const rows = await trx('standing').where('subject_id', subjectId).select('key', 'due_p50')
  return new Map(rows.map(({ key, due_p50 }) => [key, due_p50]))
}

/** The first day of what is likeliest due next on each of some machines. */
export async function soonestDues(trx: Trx, machineIds: string[]): Promise<Map<string, string>> {
  const rows = await trx('standing')
    .whereRaw('subject_id = any(?)', [machineIds])
    .whereNotNull('due_p50')
    .groupBy('subject_id')
    .select('subject_id', trx.raw('min(due_p50) as due'))
  return new Map(rows.map(({ subject_id, due }) => [subject_id, due]))
}
