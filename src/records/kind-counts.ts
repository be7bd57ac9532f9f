import type { Trx } from './database.ts'

/** How many machines of each kind this firm looks after or did. */
export async function kindCounts(trx: Trx): Promise<Map<string, number>> {
  const rows: { kind: string; n: string }[] = await trx('machine')
    .select('kind', trx.raw('count(*) as n'))
    .groupBy('kind')
  return new Map(rows.map(({ kind, n }) => [kind, Number(n)]))
}
