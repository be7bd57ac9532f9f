import type { Knex } from 'knex'

/** Finds what is arranged for a day. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`
    create index entry_arranged_for on entry (firm_id, (body ->> 'on')) where kind = 'appointment';
    create index entry_day_orders on entry (firm_id, (body ->> 'on')) where kind = 'day-order';
  `)
}
