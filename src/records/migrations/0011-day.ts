import type { Knex } from 'knex'

/** Finds what is arranged for a day, and gives each technician a secret address for their calendar. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    create index entry_arranged_for on entry (firm_id, (body ->> 'on')) where kind = 'appointment';
    create index entry_day_orders on entry (firm_id, (body ->> 'on')) where kind = 'day-order';

    -- Secret addresses of calendars. Outside the separation, like sign-in: who asks has nothing but the address.
    create table calendar (
      token_hash bytea primary key,
      firm_id uuid not null,
      technician_id uuid not null,
      made_at timestamptz not null default now(),
      unique (firm_id, technician_id),
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
  `)
  await trx.raw('grant select, insert, update, delete on calendar to ??', [appRole])
}
