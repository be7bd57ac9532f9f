import type { Db } from './database.ts'

export interface Session {
  firmId: string
  technicianId: string
}

export async function addSession(
  db: Db,
  tokenHash: Buffer,
  session: Session,
  now: Date,
  expiresAt: Date,
): Promise<void> {
  await db('session').insert({
    token_hash: tokenHash,
    firm_id: session.firmId,
    technician_id: session.technicianId,
    created_at: now,
    seen_at: now,
    expires_at: expiresAt,
  })
}

/** The session a token opens; null when it is unknown or over. */
export async function sessionByToken(db: Db, tokenHash: Buffer, now: Date): Promise<Session | null> {
  const row = await db('session').where({ token_hash: tokenHash }).where('expires_at', '>', now).first()
  return row ? { firmId: row.firm_id, technicianId: row.technician_id } : null
}

export async function endSession(db: Db, tokenHash: Buffer): Promise<void> {
  await db('session').where({ token_hash: tokenHash }).delete()
}

export async function dropExpiredSessions(db: Db, now: Date): Promise<void> {
  await db('session').where('expires_at', '<=', now).delete()
}
