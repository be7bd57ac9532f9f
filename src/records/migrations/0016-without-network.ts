import type { Knex } from 'knex'

/** How far the writer of an entry knew the ledger, and sessions that were ended from elsewhere. */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table entry add column known_seq bigint check (known_seq >= 0 and known_seq < seq);
    create index entry_known on entry (firm_id, seq) where known_seq is not null;

    -- A device whose session stands here forgets all that it keeps as soon as it asks for anything; one whose holder left
    -- hands in first what they wrote until then.
    create table shut_out (
      token_hash bytea primary key,
      firm_id uuid not null,
      technician_id uuid not null,
      why text not null check (why in ('left', 'lost')),
      at timestamptz not null,
      foreign key (firm_id, technician_id) references technician (firm_id, id)
    );
  `)
  await trx.raw('grant select, insert, update, delete on shut_out to ??', [appRole])
}
