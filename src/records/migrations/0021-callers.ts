import type { Knex } from 'knex'

/**
 * How long a firm keeps who rang and where to ring back. What was said of a machine stays in the ledger; the name and
 * the number go out of it by the firm's own rule, and by this function alone.
 */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table firm
      -- Absent: for good.
      add column callers_months int check (callers_months between 1 and 600);

    create function drop_old_callers(before timestamptz) returns bigint
      language sql security definer set search_path = public, pg_temp as $$
        with gone as (
          update entry e set body = (e.body::jsonb - 'caller' - 'phone')::json
          from firm f
          where f.id = this_firm() and e.firm_id = f.id and e.kind = 'call'
            and e.happened_on < (before - make_interval(months => f.callers_months))::date
            and (e.body ->> 'caller' is not null or e.body ->> 'phone' is not null)
          returning 1
        )
        select count(*) from gone
      $$;
    revoke all on function drop_old_callers(timestamptz) from public;
  `)
  await trx.raw('grant execute on function drop_old_callers(timestamptz) to ??', [appRole])
}
