import type { Knex } from 'knex'

/** A logo is no photo of somebody’s back room: it stays as long as the firm’s papers name it. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`
    create or replace function drop_old_photos(before timestamptz) returns setof text
      language sql security definer set search_path = public, pg_temp as $$
        delete from photo p using firm f
        where f.id = this_firm() and p.firm_id = f.id
          and p.recorded_at < before - make_interval(years => f.photos_years)
          and not exists (
            select from entry e
            where e.firm_id = f.id and e.subject_id = f.id and e.kind = 'setting' and e.body ->> 'logo' = p.name
          )
        returning p.name
      $$;
  `)
}
