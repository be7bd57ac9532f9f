import type { Knex } from 'knex'

/** Signing in with a second proof or a passkey, devices that are known, and the log of who came in from where. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    -- Whether everybody of the firm shows a second proof besides the password.
    alter table firm add column asks_second boolean not null default false;
    -- When whoever holds it last showed who they are.
    alter table session add column shown_at timestamptz;
    update session set shown_at = created_at;
    alter table session alter column shown_at set not null;

    -- These stand outside the separation, as accounts do: they are read before the firm is known.
    create table known_device (
      token_hash bytea primary key,
      firm_id uuid not null,
      technician_id uuid not null,
      created_at timestamptz not null,
      seen_at timestamptz not null,
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create index known_device_of on known_device (firm_id, technician_id);
    create table passkey (
      -- As the device names it, base64url.
      id text primary key,
      firm_id uuid not null,
      technician_id uuid not null,
      public_key bytea not null,
      counter bigint not null,
      transports json not null,
      name text not null,
      created_at timestamptz not null,
      seen_at timestamptz,
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create index passkey_of on passkey (firm_id, technician_id);
    -- Something begun that is to be finished within minutes: a sign-in after its password, a passkey's challenge.
    create table half_way (
      token_hash bytea primary key,
      what text not null check (what in ('second', 'passkey-in', 'passkey-added')),
      firm_id uuid,
      technician_id uuid,
      challenge text,
      tries int not null default 0,
      expires_at timestamptz not null
    );
    create index half_way_over on half_way (expires_at);

    create table code_app (
      firm_id uuid not null references firm (id),
      technician_id uuid not null,
      secret text not null,
      -- Absent until a first code was right.
      confirmed_at timestamptz,
      -- The half minute of the last code that was taken: none is taken twice.
      last_step bigint not null default 0,
      primary key (firm_id, technician_id),
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create table recovery_code (
      firm_id uuid not null references firm (id),
      technician_id uuid not null,
      code_hash bytea not null,
      primary key (firm_id, technician_id, code_hash),
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create table security_event (
      firm_id uuid not null references firm (id),
      id uuid not null,
      at timestamptz not null,
      what text not null,
      -- Who did it; absent where nobody was signed in.
      technician_id uuid,
      -- Whom it was done to, where that is somebody else.
      about_id uuid,
      -- The network it came from, and what it was done with.
      place text not null,
      device text not null,
      primary key (firm_id, id)
    );
    create index security_event_at on security_event (firm_id, at desc, id desc);
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  for (const table of ['code_app', 'recovery_code', 'security_event']) {
    await trx.raw(`alter table ${table} enable row level security`)
    await trx.raw(`create policy one_firm on ${table} using (firm_id = ${firm}) with check (firm_id = ${firm})`)
  }
  await trx.raw(
    'grant select, insert, update, delete on known_device, passkey, half_way, code_app, recovery_code to ??',
    [appRole],
  )
  // Whoever serves adds to the log and takes nothing out of it.
  await trx.raw('grant select, insert on security_event to ??', [appRole])
}
