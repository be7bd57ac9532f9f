import type { Trx } from './database.ts'

/** What is due at a site until a day, summed up. */
export interface DueAtSite {
  siteId: string
  name: string
  area: string
  technicianId: string
  machines: number
  lines: number
  overdue: number
  minutes: number
  firstDue: string
  /** Something that guards against pressure, current or dirty water waits to be seen. */
  danger: boolean
  /** Something that milk passes does. */
  hygiene: boolean
  /** Machines that stand: switched off, or with a fault that nobody has put right. */
  stand: number
}

/** A fault that was reported longer ago is not why a site is visited first, days. */
const freshFault = 60

/**
 * Sites with something due until a day, in the order they matter: danger and hygiene, where machines stand, the rest;
 * each by what is due first.
 *
 * @param guarding - tasks that guard, by their ids
 */
export async function dueBySite(
  trx: Trx,
  { today, until, guarding, limit }: { today: string; until: string; guarding: string[]; limit: number },
): Promise<DueAtSite[]> {
  const { rows } = await trx.raw(
    `with due as (
       select st.site_id, st.subject_id, st.due_p50,
         (st.detail ->> 'minutes')::numeric as minutes,
         split_part(st.key, '@', 1) = any(:guarding)
           or (st.key = 'first-look' and st.detail ->> 'caution' in ('pressure', 'mains')) as guards,
         coalesce(st.detail ->> 'caution' = 'milk', false) as milk
       from standing st where st.due_p50 <= :until
     ), sums as (
       select site_id, count(*)::int as lines, count(distinct subject_id)::int as machines,
         count(*) filter (where due_p50 < :today)::int as overdue, coalesce(sum(minutes), 0)::int as minutes,
         min(due_p50) as first_due, bool_or(guards) as danger, bool_or(milk) as hygiene
       from due group by site_id
     )
     select s.id, s.name, s.area, s.technician_id, sums.*,
       (select count(*) from machine m join subject su on su.firm_id = m.firm_id and su.id = m.id
        where m.firm_id = s.firm_id and m.site_id = s.id
          and (su.stage = 'still' or exists (
            select from entry e where e.firm_id = m.firm_id and e.subject_id = m.id and e.kind = 'fault-reported'
              and e.happened_on > :today::date - :freshFault::int
              and not exists (select from entry c where c.firm_id = e.firm_id and c.supersedes = e.id)
              and not exists (select from entry r where r.firm_id = e.firm_id and r.subject_id = e.subject_id
                and r.kind in ('repaired', 'tested-out') and r.body ->> 'report' = e.id::text))))::int as stand
     from sums join site s on s.id = sums.site_id
     order by case when sums.danger or sums.hygiene then 0 else 1 end, first_due, s.name
     limit :limit`,
    { today, until, guarding, limit, freshFault },
  )
  return rows.map((row: Record<string, never>) => ({
    siteId: row.id,
    name: row.name,
    area: row.area,
    technicianId: row.technician_id,
    machines: row.machines,
    lines: row.lines,
    overdue: row.overdue,
    minutes: row.minutes,
    firstDue: row.first_due,
    danger: row.danger,
    hygiene: row.hygiene,
    stand: row.stand,
  }))
}
