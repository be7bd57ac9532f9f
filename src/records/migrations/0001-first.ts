import type { Knex } from 'knex'

/** Tables whose rows belong to a firm and are kept apart by row-level security. */
const firmTables = ['technician', 'customer', 'supply', 'site', 'subject', 'softener', 'machine', 'entry', 'standing']

export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    create table firm (
      id uuid primary key,
      name text not null,
      demo boolean not null default false,
      seq bigint not null default 0
    );

    create table technician (
      firm_id uuid not null references firm (id),
      id uuid not null,
      name text not null,
      initials text not null,
      role text not null check (role in ('owner', 'technician')),
      version int not null default 1,
      primary key (firm_id, id)
    );

    -- Sign-in happens before the firm is known: these two tables stand outside the separation.
    create table account (
      email text primary key check (email = lower(email)),
      firm_id uuid not null,
      technician_id uuid not null,
      password_hash text not null,
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create table session (
      token_hash bytea primary key,
      firm_id uuid not null,
      technician_id uuid not null,
      created_at timestamptz not null,
      seen_at timestamptz not null,
      expires_at timestamptz not null,
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create table sign_in_attempt (
      key varchar(255) primary key,
      points integer not null default 0,
      expire bigint
    );

    create table customer (
      firm_id uuid not null references firm (id),
      id uuid not null,
      name text not null,
      version int not null default 1,
      primary key (firm_id, id)
    );
    create table supply (
      firm_id uuid not null references firm (id),
      id uuid not null,
      name text not null,
      version int not null default 1,
      primary key (firm_id, id)
    );
    create table site (
      firm_id uuid not null references firm (id),
      id uuid not null,
      customer_id uuid not null,
      supply_id uuid not null,
      technician_id uuid not null,
      name text not null,
      area text not null,
      time_zone text not null,
      access_note text not null default '',
      version int not null default 1,
      primary key (firm_id, id),
      foreign key (firm_id, customer_id) references customer (firm_id, id),
      foreign key (firm_id, supply_id) references supply (firm_id, id),
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );

    -- One row for everything an entry can be about: what a write locks, and what is known of its reckoning.
    create table subject (
      firm_id uuid not null references firm (id),
      id uuid not null,
      kind text not null,
      stale boolean not null default false,
      reckoning_version int not null default 0,
      summary json,
      primary key (firm_id, id)
    );
    create index subject_to_reckon on subject (firm_id, stale, reckoning_version);

    create table softener (
      firm_id uuid not null references firm (id),
      id uuid not null,
      site_id uuid not null,
      name text not null,
      version int not null default 1,
      primary key (firm_id, id),
      foreign key (firm_id, id) references subject (firm_id, id),
      foreign key (firm_id, site_id) references site (firm_id, id)
    );
    create index softener_site on softener (firm_id, site_id);
    create table machine (
      firm_id uuid not null references firm (id),
      id uuid not null,
      site_id uuid not null,
      softener_id uuid,
      name text not null,
      maker text not null,
      model text not null,
      serial text not null,
      kind text not null,
      version int not null default 1,
      primary key (firm_id, id),
      unique (firm_id, serial),
      foreign key (firm_id, id) references subject (firm_id, id),
      foreign key (firm_id, site_id) references site (firm_id, id),
      foreign key (firm_id, softener_id) references softener (firm_id, id)
    );
    create index machine_site on machine (firm_id, site_id);
    create index machine_softener on machine (firm_id, softener_id);

    create table entry (
      firm_id uuid not null references firm (id),
      id uuid not null,
      seq bigint not null,
      subject_kind text not null,
      subject_id uuid not null,
      visit_id uuid,
      kind text not null,
      happened_at timestamptz not null,
      happened_on date not null,
      recorded_at timestamptz not null,
      recorded_by uuid not null,
      body json not null,
      supersedes uuid,
      primary key (firm_id, id),
      foreign key (firm_id, subject_id) references subject (firm_id, id),
      foreign key (firm_id, recorded_by) references technician (firm_id, id)
    );
    create index entry_subject on entry (firm_id, subject_id);
    create index entry_seq on entry (firm_id, seq);

    create table standing (
      firm_id uuid not null references firm (id),
      subject_id uuid not null,
      key text not null,
      site_id uuid not null,
      due_p10 date,
      due_p50 date,
      due_p90 date,
      detail json not null,
      primary key (firm_id, subject_id, key),
      foreign key (firm_id, subject_id) references subject (firm_id, id),
      foreign key (firm_id, site_id) references site (firm_id, id)
    );
    create index standing_due on standing (firm_id, due_p50, due_p90, subject_id, key);
  `)

  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  for (const table of firmTables) {
    await trx.raw(`alter table ${table} enable row level security`)
    await trx.raw(`create policy one_firm on ${table} using (firm_id = ${firm}) with check (firm_id = ${firm})`)
  }
  await trx.raw('alter table firm enable row level security')
  await trx.raw(`create policy one_firm on firm using (id = ${firm}) with check (id = ${firm})`)

  await trx.raw('grant usage on schema public to ??', [appRole])
  await trx.raw('grant select, insert, update, delete on all tables in schema public to ??', [appRole])
  // The ledger is append-only for whoever serves.
  await trx.raw('revoke update, delete, truncate on entry from ??', [appRole])
}
