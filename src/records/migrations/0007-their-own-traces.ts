import type { Knex } from 'knex'

/**
 * Forgetting somebody takes the network and device out of what they did themselves, and of what was tried in their
 * name before anybody was known; what an owner did about them keeps saying from where the owner did it.
 */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(`
    create or replace function forget_traces(kind text, about uuid) returns void
      language sql security definer set search_path = public, pg_temp as $$
        update change set before = null, after = null
          where firm_id = this_firm() and about_kind = kind and about_id = about;
        update security_event set place = '', device = ''
          where firm_id = this_firm() and kind = 'technician'
            and coalesce(technician_id, about_id) = about;
      $$;
  `)
}
