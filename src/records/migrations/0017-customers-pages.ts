import type { Knex } from 'knex'

/** Addresses printed on machines, and phones whose holder typed the word of the place. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    -- Outside the separation, like calendars: who asks has nothing but the address. It is printed on the machine, so it
    -- is kept as it is, to be printed again.
    create table customer_address (
      token text primary key,
      firm_id uuid not null references firm (id),
      subject_kind text not null check (subject_kind in ('machine', 'site')),
      subject_id uuid not null,
      -- Whose it was when it was made: at another customer it opens nothing.
      customer_id uuid not null,
      made_at timestamptz not null,
      made_by uuid not null,
      ended_at timestamptz,
      foreign key (firm_id, made_by) references technician (firm_id, id),
      foreign key (firm_id, subject_id) references subject (firm_id, id)
    );
    create unique index customer_address_now on customer_address (firm_id, subject_id) where ended_at is null;

    create table customer_phone (
      key_hash bytea primary key,
      firm_id uuid not null references firm (id),
      site_id uuid not null,
      -- The entry that set the word it was shown: another word, and it is asked anew.
      word_id uuid not null,
      made_at timestamptz not null
    );
    create index customer_phone_site on customer_phone (firm_id, site_id);
  `)
  await trx.raw('grant select, insert, update, delete on customer_address, customer_phone to ??', [appRole])
}
