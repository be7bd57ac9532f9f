import type { Knex } from 'knex'

/**
 * Lists that were brought in: the file, how it was read, what became of each row and what was made of it, so that the
 * whole can be taken back; and what a firm's own words mean.
 */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    create table import (
      firm_id uuid not null references firm (id),
      id uuid not null,
      what text not null check (what in ('machines', 'customers', 'work', 'readings', 'analyses')),
      technician_id uuid not null,
      asked_at timestamptz not null,
      ended_at timestamptz,
      state text not null check (state in ('waiting', 'written', 'stopped', 'failed', 'going-back', 'taken-back')),
      file_name text not null,
      encoding text not null,
      separator text not null,
      file bytea not null,
      -- Which column is what, how days and figures are written, what its words mean.
      spec jsonb not null,
      -- Head and rows as text, as they stood in the file.
      cells text not null,
      rows int not null,
      done int not null default 0,
      problem text,
      taken_back_by uuid,
      primary key (firm_id, id),
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
    create index import_at on import (firm_id, asked_at desc, id desc);
    create table import_row (
      firm_id uuid not null,
      import_id uuid not null,
      row int not null,
      verdict text not null,
      reason text,
      primary key (firm_id, import_id, row),
      foreign key (firm_id, import_id) references import (firm_id, id)
    );
    create table import_made (
      firm_id uuid not null,
      import_id uuid not null,
      row int not null,
      what text not null check (what in ('record', 'filled', 'entry')),
      kind text not null,
      id uuid not null,
      -- Of a record that was filled in: the fields as they were and as they became.
      before jsonb,
      after jsonb,
      primary key (firm_id, import_id, what, id, row),
      foreign key (firm_id, import_id) references import (firm_id, id)
    );
    create index import_made_id on import_made (firm_id, id);
    create table word_meaning (
      firm_id uuid not null references firm (id),
      -- Which column's words.
      about text not null,
      word text not null,
      meaning jsonb not null,
      primary key (firm_id, about, word)
    );
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  for (const table of ['import', 'import_row', 'import_made', 'word_meaning']) {
    await trx.raw(`alter table ${table} enable row level security`)
    await trx.raw(`create policy one_firm on ${table} using (firm_id = ${firm}) with check (firm_id = ${firm})`)
    await trx.raw(`grant select, insert, update, delete on ${table} to ??`, [appRole])
  }
}
