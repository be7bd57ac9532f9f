import type { Knex } from 'knex'

/** Finds what waits for something, and where visits go by contract, among all that a firm has set. */
export async function up(trx: Knex): Promise<void> {
  await trx.raw(
    `create index entry_planning on entry (firm_id, (body->>'setting')) where kind = 'setting' and (body->>'setting') in ('waits', 'contract')`,
  )
}
