import type { Knex } from 'knex'

/** Letters that go out by e-mail with papers in them, and the mailbox they go to where no server is set. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    create table letter (
      firm_id uuid not null references firm (id),
      id uuid not null,
      written_at timestamptz not null,
      written_by uuid not null,
      -- Which visit its papers are of; a letter that only tries the way out has none.
      visit_id uuid,
      recipient text not null,
      reply_to text,
      subject text not null,
      words text not null,
      state text not null check (state in ('waiting', 'sent', 'refused')),
      tries int not null,
      -- Not tried before this: whoever is at it says so here, and a break leaves it to be tried again.
      try_at timestamptz not null,
      settled_at timestamptz,
      -- What the server said at last.
      said text,
      primary key (firm_id, id),
      foreign key (firm_id, written_by) references technician (firm_id, id)
    );
    create index letter_waiting on letter (firm_id, try_at) where state = 'waiting';
    create index letter_by_time on letter (firm_id, written_at desc, id desc);
    create index letter_of_visit on letter (firm_id, visit_id) where visit_id is not null;
    create table letter_file (
      firm_id uuid not null,
      letter_id uuid not null,
      n int not null,
      name text not null,
      media_type text not null,
      -- Gone some time after it went out: the paper can be made again.
      bytes bytea,
      primary key (firm_id, letter_id, n),
      foreign key (firm_id, letter_id) references letter (firm_id, id) on delete cascade
    );
    create table mailbox_letter (
      firm_id uuid not null references firm (id),
      id uuid not null,
      came_at timestamptz not null,
      raw bytea not null,
      primary key (firm_id, id)
    );
    create index mailbox_by_time on mailbox_letter (firm_id, came_at desc, id desc);
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  for (const table of ['letter', 'letter_file', 'mailbox_letter']) {
    await trx.raw(`alter table ${table} enable row level security`)
    await trx.raw(`create policy one_firm on ${table} using (firm_id = ${firm}) with check (firm_id = ${firm})`)
    await trx.raw(`grant select, insert, update, delete on ${table} to ??`, [appRole])
  }
}
