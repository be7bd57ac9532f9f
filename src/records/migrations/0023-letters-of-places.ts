import type { Knex } from 'knex'

/** Papers of a place go out too, without a visit: its water report, its machines’ passports, a quote. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`
    alter table letter add column site_id uuid;
    create index letter_of_site on letter (firm_id, site_id) where site_id is not null;
  `)
}
