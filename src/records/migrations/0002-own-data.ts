import type { Knex } from 'knex'

/** A firm's own preferences, its people and places in full, instruments, who did what, and size. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table firm
      add column time_zone text not null default 'UTC',
      add column hardness_unit text not null default 'dH',
      add column volume_unit text not null default 'L',
      add column temperature_unit text not null default 'C',
      add column pressure_unit text not null default 'bar',
      add column currency text not null default 'EUR',
      add column date_form text not null default 'words',
      add column week_start int not null default 1,
      add column version int not null default 1;

    alter table technician add column left_on date;
    alter table session
      add column id uuid not null default gen_random_uuid(),
      add column device text not null default '';
    create index session_firm on session (firm_id, technician_id);
    -- One-time links: to join a firm, or to choose a new password. Outside the separation, like sign-in.
    create table invitation (
      token_hash bytea primary key,
      firm_id uuid not null,
      technician_id uuid not null,
      purpose text not null check (purpose in ('join', 'reset')),
      created_at timestamptz not null,
      expires_at timestamptz not null,
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create index invitation_technician on invitation (firm_id, technician_id);

    alter table customer
      add column contact text not null default '',
      add column phone text not null default '',
      add column email text not null default '',
      add column note text not null default '',
      add column retired_on date;
    alter table supply
      add column note text not null default '',
      add column retired_on date;
    alter table site
      alter column supply_id drop not null,
      add column address text not null default '',
      add column latitude double precision check (latitude between -90 and 90),
      add column longitude double precision check (longitude between -180 and 180),
      add column altitude_m double precision,
      add column retired_on date,
      add column words text generated always as (lower(name || ' ' || area || ' ' || address)) stored;
    create index site_customer on site (firm_id, customer_id);
    create index site_supply on site (firm_id, supply_id);
    create index site_name on site (firm_id, name, id);
    create index customer_name on customer (firm_id, name, id);
    alter table machine
      add column revision text not null default '',
      add column words text generated always as (lower(name || ' ' || maker || ' ' || model || ' ' || serial)) stored;
    -- A machine whose plate cannot be read has no number; numbers that are known are each once.
    alter table machine drop constraint machine_firm_id_serial_key;
    create unique index machine_one_serial on machine (firm_id, serial) where serial <> '';
    create index machine_serial on machine (firm_id, lower(serial));

    create table instrument (
      firm_id uuid not null references firm (id),
      id uuid not null,
      name text not null,
      kind text not null check (kind in ('gauge', 'meter', 'tester', 'thermometer', 'scale', 'reagent')),
      serial text not null default '',
      retired_on date,
      version int not null default 1,
      primary key (firm_id, id),
      foreign key (firm_id, id) references subject (firm_id, id)
    );

    -- Who changed which record, and how it was before. Entries say that of themselves.
    create table change (
      firm_id uuid not null references firm (id),
      id uuid not null,
      at timestamptz not null,
      technician_id uuid not null,
      action text not null,
      about_kind text not null,
      about_id uuid,
      before json,
      after json,
      primary key (firm_id, id),
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create index change_at on change (firm_id, at desc, id desc);

    -- Where an entry came from when nobody here wrote it: another firm's passport, a spreadsheet.
    alter table entry add column origin text;
    create index entry_visit on entry (firm_id, visit_id) where visit_id is not null;
    create index entry_supersedes on entry (firm_id, supersedes) where supersedes is not null;
    create index entry_visits on entry (firm_id, happened_on desc, id desc) where kind = 'visit';
    create index entry_moved_from on entry (firm_id, (body ->> 'fromSoftenerId')) where kind = 'moved';

    -- What lists ask of a subject without opening its reckoning.
    alter table subject
      add column stage text not null default 'working',
      add column reading_on date not null default '-infinity';
    create index subject_reading on subject (firm_id, reading_on) where kind = 'machine' and stage <> 'retired';
    drop index subject_to_reckon;
    create index subject_stale on subject (firm_id, id) where stale;
    create index subject_version on subject (firm_id, reckoning_version) where kind in ('machine', 'softener');

    drop index standing_due;
    create index standing_due on standing (firm_id, due_p50, due_p90, subject_id, key) where due_p50 is not null;
    create index standing_site on standing (firm_id, site_id, due_p50) where due_p50 is not null;
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  for (const table of ['instrument', 'change']) {
    await trx.raw(`alter table ${table} enable row level security`)
    await trx.raw(`create policy one_firm on ${table} using (firm_id = ${firm}) with check (firm_id = ${firm})`)
  }
  await trx.raw('grant select, insert, update, delete on instrument, invitation to ??', [appRole])
  // Nobody who serves rewrites what was done.
  await trx.raw('grant select, insert on change to ??', [appRole])
}
