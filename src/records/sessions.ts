import type { Db, Trx } from './database.ts'

export interface Session {
  firmId: string
  technicianId: string
}

/** A session as it is listed: who, on what, since when. */
export interface ListedSession {
  id: string
  technicianId: string
  device: string
  createdAt: string
  seenAt: string
}

export async function addSession(
  db: Db,
  tokenHash: Buffer,
  session: Session & { device: string },
  now: Date,
  expiresAt: Date,
): Promise<void> {
  await db('session').insert({
    token_hash: tokenHash,
    firm_id: session.firmId,
    technician_id: session.technicianId,
    device: session.device,
    created_at: now,
    seen_at: now,
    expires_at: expiresAt,
    shown_at: now,
  })
}

/** A minute is precise enough to say when someone was last here. */
const seenEveryMs = 60_000

/** A session as it stands when somebody shows its token. */
export interface HeldSession extends Session {
  id: string
  /** When whoever holds it last showed who they are. */
  shownAt: Date
  /** It lay unused, or lasted, for too long. */
  isOver: boolean
}

/**
 * The session a token opens; null when it is unknown, or over for longer than it still hands in work.
 * @param idleMs - how long it may lie unused
 * @param handsInMs - how long one that is over is still told apart from none
 */
export async function sessionByToken(
  db: Db,
  tokenHash: Buffer,
  now: Date,
  { idleMs, handsInMs }: { idleMs: number; handsInMs: number },
): Promise<HeldSession | null> {
  const row = await db('session').where({ token_hash: tokenHash }).first()
  if (!row) return null
  const overSince = Math.min(row.expires_at.getTime(), row.seen_at.getTime() + idleMs)
  if (now.getTime() >= overSince + handsInMs) return null
  const isOver = now.getTime() >= overSince
  // Handing in does not wake it up.
  if (!isOver && now.getTime() - row.seen_at.getTime() > seenEveryMs)
    await db('session').where({ token_hash: tokenHash }).update({ seen_at: now })
  return { id: row.id, firmId: row.firm_id, technicianId: row.technician_id, shownAt: row.shown_at, isOver }
}

/** Its holder has shown who they are once more. */
export async function showAgain(db: Db, firmId: string, id: string, now: Date): Promise<void> {
  await db('session').where({ firm_id: firmId, id }).update({ shown_at: now })
}

export async function endSession(db: Db, tokenHash: Buffer): Promise<void> {
  await db('session').where({ token_hash: tokenHash }).delete()
}

/** Sessions of a firm that are still open, the latest first. */
export async function openSessions(db: Db, firmId: string, now: Date): Promise<ListedSession[]> {
  const rows = await db('session').where({ firm_id: firmId }).where('expires_at', '>', now).orderBy('seen_at', 'desc')
  return rows.map((row) => ({
    id: row.id,
    technicianId: row.technician_id,
    device: row.device,
    createdAt: row.created_at.toISOString(),
    seenAt: row.seen_at.toISOString(),
  }))
}

/**
 * Ends sessions of a firm.
 * @param shutOut - given where their devices are to forget all that they keep, and not only to ask who is there
 * @returns how many there were
 */
export async function endSessions(
  trx: Trx,
  firmId: string,
  which: { id: string } | { technicianId: string; except?: string },
  shutOut?: { why: ShutOut['why']; at: Date },
): Promise<number> {
  const query = trx('session').where({ firm_id: firmId })
  if ('id' in which) query.where({ id: which.id })
  else {
    query.where({ technician_id: which.technicianId })
    if (which.except) query.whereNot({ id: which.except })
  }
  // Who is forgotten hands nothing in any more.
  if (shutOut?.why === 'lost' && 'technicianId' in which)
    await trx('shut_out').where({ firm_id: firmId, technician_id: which.technicianId }).update({ why: 'lost' })
  const ended = await query.delete().returning(['token_hash', 'firm_id', 'technician_id'])
  if (shutOut && ended.length > 0)
    await trx('shut_out')
      .insert(ended.map((row) => ({ ...row, ...shutOut })))
      .onConflict()
      .ignore()
  return ended.length
}

/** A device that was shut out from elsewhere: its holder left, or it is taken for lost. */
export interface ShutOut extends Session {
  why: 'left' | 'lost'
  at: Date
}

/** Whether and why the device that shows this token was shut out; null where it was not. */
export async function shutOutByToken(db: Db, tokenHash: Buffer): Promise<ShutOut | null> {
  const row = await db('shut_out').where({ token_hash: tokenHash }).first()
  return row ? { firmId: row.firm_id, technicianId: row.technician_id, why: row.why, at: row.at } : null
}

/** A device that lay in a drawer for longer holds nothing that is still true, ms. */
const shutOutForMs = 400 * 86_400_000

export async function dropExpiredSessions(db: Db, now: Date): Promise<void> {
  await db('session').where('expires_at', '<=', now).delete()
  await db('shut_out')
    .where('at', '<=', new Date(now.getTime() - shutOutForMs))
    .delete()
}
