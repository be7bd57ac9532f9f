import type { Knex } from 'knex'

/**
 * How long a firm keeps what is about people, and forgetting one of them. Whoever serves may add to the logs and to the
 * photos and take nothing out: what goes by the firm's own rule goes by these functions, which run as the owner of
 * the tables, see one firm alone, and know no other way.
 */
export async function up(trx: Knex, appRole: string): Promise<void> {
  await trx.raw(`
    alter table firm
      add column sign_in_log_days int not null default 365 check (sign_in_log_days between 30 and 3650),
      -- Absent: for good.
      add column photos_years int check (photos_years between 1 and 50);

    create function this_firm() returns uuid language sql stable as
      $$ select nullif(current_setting('evenshot.firm', true), '')::uuid $$;

    create function drop_old_events(before timestamptz) returns bigint
      language sql security definer set search_path = public, pg_temp as $$
        with gone as (
          delete from security_event e using firm f
          where f.id = this_firm() and e.firm_id = f.id
            and e.at < before - make_interval(days => f.sign_in_log_days)
          returning 1
        )
        select count(*) from gone
      $$;

    create function drop_old_photos(before timestamptz) returns setof text
      language sql security definer set search_path = public, pg_temp as $$
        delete from photo p using firm f
        where f.id = this_firm() and p.firm_id = f.id
          and p.recorded_at < before - make_interval(years => f.photos_years)
        returning p.name
      $$;

    -- Files are named by what they hold: another firm may have the very same.
    create function photo_is_anybodys(photo_name text) returns boolean
      language sql stable security definer set search_path = public, pg_temp as
      $$ select exists (select from photo where name = photo_name) $$;

    create function forget_traces(kind text, about uuid) returns void
      language sql security definer set search_path = public, pg_temp as $$
        update change set before = null, after = null
          where firm_id = this_firm() and about_kind = kind and about_id = about;
        update security_event set place = '', device = ''
          where firm_id = this_firm() and kind = 'technician' and (technician_id = about or about_id = about);
      $$;
  `)
  for (const signature of [
    'drop_old_events(timestamptz)',
    'drop_old_photos(timestamptz)',
    'photo_is_anybodys(text)',
    'forget_traces(text, uuid)',
  ]) {
    await trx.raw(`revoke all on function ${signature} from public`)
    await trx.raw(`grant execute on function ${signature} to ??`, [appRole])
  }
}
