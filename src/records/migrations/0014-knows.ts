import type { Knex } from 'knex'

/** Which kinds of machine somebody knows; none named: all. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`alter table technician add column knows_kinds text not null default ''`)
}
