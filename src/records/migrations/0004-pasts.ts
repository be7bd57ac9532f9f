import type { Knex } from 'knex'

/** Long pasts: what a reckoning needs of a ledger's old entries, kept beside it so that they need not all be read. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    create table past (
      firm_id uuid not null references firm (id),
      subject_id uuid not null,
      -- By which rule it was thinned: one of an older rule is not read.
      rule int not null,
      -- Entries of this day and later are in the ledger alone.
      before_on date not null,
      entries json not null,
      primary key (firm_id, subject_id),
      foreign key (firm_id, subject_id) references subject (firm_id, id)
    );
    create index entry_subject_day on entry (firm_id, subject_id, happened_on);
    drop index entry_subject;
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  await trx.raw('alter table past enable row level security')
  await trx.raw(`create policy one_firm on past using (firm_id = ${firm}) with check (firm_id = ${firm})`)
  await trx.raw('grant select, insert, update, delete on past to ??', [appRole])
}
