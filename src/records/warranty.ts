import type { Trx } from './database.ts'

/** More places than this are looked at by the years of their closings, the latest. */
const mostSites = 300

/** Places where a visit was closed with something that a warranty pays, the latest first. */
export async function sitesWithWarranty(trx: Trx): Promise<string[]> {
  const { rows } = await trx.raw(
    `select subject_id as id from entry
     where kind = 'visit-closed' and body::jsonb @> '{"lines": [{"pays": "warranty"}]}'
     group by subject_id order by max(happened_on) desc limit ?`,
    [mostSites],
  )
  return rows.map(({ id }: { id: string }) => id)
}
