import type { Knex } from 'knex'

/** Invoices and credit notes as they were issued, how far their series have come, and where a customer’s bills go. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table customer
      add column bill_name text not null default '',
      add column bill_street text not null default '',
      add column bill_postcode text not null default '',
      add column bill_town text not null default '',
      add column bill_country text not null default '',
      add column bill_email text not null default '',
      add column bill_reference text not null default '';
    create table invoice_series (
      firm_id uuid not null references firm (id),
      series text not null,
      last int not null check (last > 0),
      primary key (firm_id, series)
    );
    create table invoice (
      firm_id uuid not null references firm (id),
      id uuid not null,
      kind text not null check (kind in ('invoice', 'credit-note')),
      series text not null,
      n int not null check (n > 0),
      number text not null,
      visit_id uuid not null,
      site_id uuid not null,
      customer_id uuid not null,
      -- The closing of the visit it was drawn from: closed anew, the visit has another.
      closed_id uuid not null,
      issued_on date not null,
      issued_at timestamptz not null,
      issued_by uuid not null,
      -- All that stands on it: nothing else is read to show it.
      document json not null,
      -- Of a credit note: which invoice it takes back.
      cancels uuid,
      primary key (firm_id, id),
      unique (firm_id, series, n),
      unique (firm_id, number),
      unique (firm_id, cancels),
      foreign key (firm_id, issued_by) references technician (firm_id, id),
      foreign key (firm_id, cancels) references invoice (firm_id, id),
      check ((kind = 'credit-note') = (cancels is not null))
    );
    create index invoice_by_time on invoice (firm_id, issued_at desc, id desc);
    create index invoice_of_visit on invoice (firm_id, visit_id);
  `)
  const firm = `(select nullif(current_setting('evenshot.firm', true), '')::uuid)`
  for (const table of ['invoice_series', 'invoice']) {
    await trx.raw(`alter table ${table} enable row level security`)
    await trx.raw(`create policy one_firm on ${table} using (firm_id = ${firm}) with check (firm_id = ${firm})`)
  }
  // What was issued is never changed and never taken away, by nobody who signs in.
  await trx.raw('grant select, insert on invoice to ??', [appRole])
  await trx.raw('grant select, insert, update on invoice_series to ??', [appRole])
}
