import type { Knex } from 'knex'

/** Finds the calls of a firm by their day. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`create index entry_calls on entry (firm_id, happened_on) where kind = 'call'`)
}
