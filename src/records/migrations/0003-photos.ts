import type { Knex } from 'knex'

/** Photos: the file lies in the data folder under its name, the row says whose it is. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    create table photo (
      firm_id uuid not null references firm (id),
      -- SHA-256 of the file, in hexadecimal.
      name text not null check (name ~ '^[0-9a-f]{64}$'),
      width int not null,
      height int not null,
      bytes int not null,
      recorded_at timestamptz not null,
      recorded_by uuid not null,
      primary key (firm_id, name),
      foreign key (firm_id, recorded_by) references technician (firm_id, id)
    );
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  await trx.raw('alter table photo enable row level security')
  await trx.raw(`create policy one_firm on photo using (firm_id = ${firm}) with check (firm_id = ${firm})`)
  await trx.raw('grant select, insert on photo to ??', [appRole])
}
