import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'

/**
 * The how-many-eth visit of its year this one was closed as, by the firm's ledger: the first time counts, however often
 * it was closed anew. The ledger is written one after the other and nothing goes out of it, so that what was counted once
 * stays so: numbers are unique, rise, and have no gap.
 *
 * @returns null where the visit is not closed
 */
export async function reportCount(trx: Trx, visitId: string): Promise<{ on: LocalDay; n: number } | null> {
  const { rows } = await trx.raw(
    `with first as (
       select distinct on (visit_id) visit_id, seq, happened_on
       from entry where kind = 'visit-closed' and visit_id is not null
       order by visit_id, seq
     ), mine as (select seq, happened_on from first where visit_id = ?)
     select mine.happened_on::text as day,
            (select count(*)::int from first
              where first.seq <= mine.seq
                and extract(year from first.happened_on) = extract(year from mine.happened_on)) as n
     from mine`,
    [visitId],
  )
  const [row] = rows
  return row ? { on: row.day, n: row.n } : null
}
