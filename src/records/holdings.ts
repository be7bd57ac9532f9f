import type { Trx } from './database.ts'

/** What hangs on a record. */
export interface Held {
  machines?: number
  sites?: number
  dueOn?: string
}

/** Machines at work of each site, and the next day anything there is due. */
export async function heldBySites(trx: Trx, siteIds: string[]): Promise<Map<string, Held>> {
  const { rows } = await trx.raw(
    `with subjects as (
       select m.site_id, m.id, 1 as machine from machine m
         join subject su on su.firm_id = m.firm_id and su.id = m.id
         where m.site_id = any(:siteIds) and su.stage <> 'retired'
       union all
       select site_id, id, 0 from softener where site_id = any(:siteIds)
     )
     select site_id, sum(machine)::int as machines,
       min((select min(st.due_p50) from standing st where st.subject_id = subjects.id)) as due_on
     from subjects group by site_id`,
    { siteIds },
  )
  return new Map(
    rows.map((row: { site_id: string; machines: number; due_on: string | null }) => [
      row.site_id,
      { machines: row.machines, ...(row.due_on && { dueOn: row.due_on }) },
    ]),
  )
}

/** Sites in use of each customer or water zone. */
export async function sitesOf(trx: Trx, of: 'customer_id' | 'supply_id', ids: string[]): Promise<Map<string, Held>> {
  const rows = await trx('site')
    .whereIn(of, ids)
    .whereNull('retired_on')
    .groupBy(of)
    .select(`${of} as id`)
    .select(trx.raw('count(*)::int as sites'))
  return new Map(rows.map(({ id, sites }) => [id, { sites }]))
}
