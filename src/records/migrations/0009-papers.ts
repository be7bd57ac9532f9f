import type { Knex } from 'knex'

/** What goes with a machine besides its work: whose it is, who pays and may say yes, its plate, its warranty. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`
    alter table customer
      add column may_agree text not null default '',
      add column agrees_up_to double precision check (agrees_up_to >= 0),
      add column order_number text not null default '';
    alter table machine
      add column owner_id uuid,
      add column payer_id uuid,
      add column used_by text not null default '',
      add column plate_volts double precision,
      add column plate_phases int,
      add column plate_watts double precision,
      add column plate_bar double precision,
      add column built_year int,
      add column warranty_until date,
      add column warranty_by text not null default '',
      add foreign key (firm_id, owner_id) references customer (firm_id, id),
      add foreign key (firm_id, payer_id) references customer (firm_id, id);
    create index machine_owner on machine (firm_id, owner_id) where owner_id is not null;
    create index machine_payer on machine (firm_id, payer_id) where payer_id is not null;
  `)
}
