import type { Knex } from 'knex'

/** What a plan of visits needs: where and when somebody’s day begins, and the plan as it stands. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table technician
      add column start_latitude double precision check (start_latitude between -90 and 90),
      add column start_longitude double precision check (start_longitude between -180 and 180),
      add column work_weekdays text not null default '12345',
      add column starts_at text not null default '08:00',
      add column ends_at text not null default '16:30';

    -- The plan as it was last made: forgotten and made anew, never history.
    create table plan (
      firm_id uuid not null references firm (id),
      made_on date not null,
      seq bigint not null,
      body json not null,
      primary key (firm_id)
    );
    alter table plan enable row level security;
    create policy one_firm on plan
      using (firm_id = (select nullif(current_setting('evenshot.firm', true), '')::uuid))
      with check (firm_id = (select nullif(current_setting('evenshot.firm', true), '')::uuid));
  `)
  await trx.raw('grant select, insert, update, delete on plan to ??', [appRole])
}
