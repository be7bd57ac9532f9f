import type { Knex } from 'knex'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Db, Trx } from './database.ts'
import { withCorrections } from './ledger.ts'

/** A secret address under which somebody’s calendar is read; the one they had before opens nothing any more. */
export async function addCalendar(
  db: Db,
  tokenHash: Buffer,
  { firmId, technicianId }: { firmId: string; technicianId: string },
): Promise<void> {
  await db.transaction(async (trx) => {
    await trx('calendar').where({ firm_id: firmId, technician_id: technicianId }).delete()
    await trx('calendar').insert({ token_hash: tokenHash, firm_id: firmId, technician_id: technicianId })
  })
}

/** Whose calendar an address is; null where it is nobody’s, or nobody’s any more. */
export async function calendarByToken(db: Db, tokenHash: Buffer) {
  const row = await db('calendar').where({ token_hash: tokenHash }).first()
  return row ? { firmId: row.firm_id as string, technicianId: row.technician_id as string } : null
}

export async function dropCalendar(db: Db, firmId: string, technicianId: string): Promise<void> {
  await db('calendar').where({ firm_id: firmId, technician_id: technicianId }).delete()
}

/** Since when somebody has an address; null where they have none. */
export async function calendarSince(db: Db, firmId: string, technicianId: string): Promise<string | null> {
  const row = await db('calendar').where({ firm_id: firmId, technician_id: technicianId }).first()
  return row ? row.made_at.toISOString() : null
}

/**
 * Everything said of visits that were arranged for a day or later, and what corrects it.
 * @param only - of visits that a technician was ever named for, or at some sites
 */
export function arrangedSince(
  trx: Trx,
  day: string,
  only: { technicianId?: string; siteIds?: string[] } = {},
): Promise<RecordedEntry[]> {
  const visits = trx('entry').where('kind', 'appointment').whereRaw("body->>'on' >= ?", [day]).select('visit_id')
  if (only.technicianId) void visits.whereRaw("body->>'technicianId' = ?", [only.technicianId])
  if (only.siteIds) void visits.whereRaw('subject_id = any(?)', [only.siteIds])
  return arrangedIn(trx, visits)
}

/** Everything said of one visit before anybody went, and what corrects it. */
export const arrangedOf = (trx: Trx, visitId: string): Promise<RecordedEntry[]> => arrangedIn(trx, [visitId])

async function arrangedIn(trx: Trx, visits: Knex.QueryBuilder | string[]): Promise<RecordedEntry[]> {
  const rows = await trx('entry').where('kind', 'appointment').whereIn('visit_id', visits)
  return withCorrections(trx, rows)
}
