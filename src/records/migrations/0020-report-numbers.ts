import type { Knex } from 'knex'

/** Finds how a firm's visits were closed, in the order it was written: reports are numbered by it. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`create index entry_closings on entry (firm_id, seq) where kind = 'visit-closed'`)
}
