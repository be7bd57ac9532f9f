import type { Trx } from './database.ts'

/** A subject of which somebody wrote without knowing what another had written, and a machine at which it is shown. */
export interface CrossedSubject {
  subjectId: string
  machineId: string
  machineName: string
  siteName: string
}

/** Subjects where writers crossed since a moment, the latest first. */
export async function crossedSubjects(trx: Trx, since: Date, limit: number): Promise<CrossedSubject[]> {
  const { rows } = await trx.raw(
    `with crossed as (
       select e.firm_id, e.subject_id, max(e.seq) as seq from entry e
        where e.known_seq is not null and e.recorded_at > :since
          and exists (select from entry o
                where o.firm_id = e.firm_id and o.subject_id = e.subject_id
                  and o.seq > e.known_seq and o.seq < e.seq and o.recorded_by <> e.recorded_by)
        group by e.firm_id, e.subject_id
        order by seq desc limit :limit)
     select c.subject_id, m.id, m.name, s.name as site_name from crossed c
       join lateral (
         select * from machine m where m.firm_id = c.firm_id
            and (m.id = c.subject_id or m.softener_id = c.subject_id or m.site_id = c.subject_id)
          order by m.id limit 1) m on true
       join site s on s.firm_id = m.firm_id and s.id = m.site_id
      order by c.seq desc`,
    { since, limit },
  )
  return rows.map((row: Record<string, string>) => ({
    subjectId: row.subject_id,
    machineId: row.id,
    machineName: row.name,
    siteName: row.site_name,
  }))
}
