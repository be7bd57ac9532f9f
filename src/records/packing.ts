import type { Trx } from './database.ts'

/** Machines that stand at some places, or some machines by their ids; what was retired is left out. */
export async function machinesAt(
  trx: Trx,
  { siteIds = [], ids = [] }: { siteIds?: string[]; ids?: string[] },
): Promise<{ id: string; siteId: string }[]> {
  if (siteIds.length === 0 && ids.length === 0) return []
  const rows = await trx('machine as m')
    .join('subject as su', (on) => on.on('su.firm_id', 'm.firm_id').andOn('su.id', 'm.id'))
    .whereRaw('(m.site_id = any(?) or m.id = any(?))', [siteIds, ids])
    .whereNot('su.stage', 'retired')
    .orderBy(['m.site_id', 'm.name', 'm.id'])
    .select('m.id', 'm.site_id')
  return rows.map((row) => ({ id: row.id, siteId: row.site_id }))
}
