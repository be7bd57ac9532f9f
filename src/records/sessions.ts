import type { Db } from './database.ts'

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

/** Ends sessions of a firm. @returns how many there were */
export async function endSessions(
  db: Db,
  firmId: string,
  which: { id: string } | { technicianId: string; except?: string },
): Promise<number> {
  const query = db('session').where({ firm_id: firmId })
  if ('id' in which) query.where({ id: which.id })
  else {
    query.where({ technician_id: which.technicianId })
    if (which.except) query.whereNot({ id: which.except })
  }
  return query.delete()
}

export async function dropExpiredSessions(db: Db, now: Date): Promise<void> {
  await db('session').where('expires_at', '<=', now).delete()
}
