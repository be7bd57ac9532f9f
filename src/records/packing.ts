import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Trx } from './database.ts'
import { toEntry } from './ledger.ts'

/** Machines that stand at some places, or some machines by their ids; what was retired is left out. */
export async function machinesAt(
  trx: Trx,
  { siteIds = [], ids = [] }: { siteIds?: string[]; ids?: string[] },
): Promise<{ id: string; siteId: string; softenerId: string | null }[]> {
  if (siteIds.length === 0 && ids.length === 0) return []
  const rows = await trx('machine as m')
    .join('subject as su', (on) => on.on('su.firm_id', 'm.firm_id').andOn('su.id', 'm.id'))
    .whereRaw('(m.site_id = any(?) or m.id = any(?))', [siteIds, ids])
    .whereNot('su.stage', 'retired')
    .orderBy(['m.site_id', 'm.name', 'm.id'])
    .select('m.id', 'm.site_id', 'm.softener_id')
  return rows.map((row) => ({ id: row.id, siteId: row.site_id, softenerId: row.softener_id }))
}

/** Entries of some machines that may name photos, the latest first, so many of each. */
export async function latestPictured(trx: Trx, machineIds: string[], most: number): Promise<RecordedEntry[]> {
  if (machineIds.length === 0) return []
  const { rows } = await trx.raw(
    `select e.* from unnest(?::uuid[]) with ordinality as asked(id, place)
       join lateral (
         select * from entry e where e.subject_id = asked.id
            and (e.kind = 'pictured' or (e.kind in ('run', 'strip-down') and e.body::text like '%"photo%'))
            and not exists (select from entry c where c.firm_id = e.firm_id and c.supersedes = e.id)
          order by e.happened_on desc, e.seq desc limit ?) e on true
      order by asked.place, e.happened_on desc, e.seq desc`,
    [machineIds, most],
  )
  return rows.map(toEntry)
}
