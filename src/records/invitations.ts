import type { Db } from './database.ts'

/** A one-time link: to join a firm, or to choose a new password. */
export interface Invitation {
  firmId: string
  technicianId: string
  purpose: 'join' | 'reset'
  expiresAt: string
}

/** A new link; the ones a technician had before open nothing any more. */
export async function addInvitation(db: Db, tokenHash: Buffer, invitation: Invitation, now: Date): Promise<void> {
  await dropInvitations(db, invitation.firmId, invitation.technicianId)
  await db('invitation').insert({
    token_hash: tokenHash,
    firm_id: invitation.firmId,
    technician_id: invitation.technicianId,
    purpose: invitation.purpose,
    created_at: now,
    expires_at: invitation.expiresAt,
  })
}

/** What a link is for; null when it is unknown, used or over. */
export async function invitationByToken(db: Db, tokenHash: Buffer, now: Date): Promise<Invitation | null> {
  const row = await db('invitation').where({ token_hash: tokenHash }).where('expires_at', '>', now).first()
  return row ? toInvitation(row) : null
}

/** Takes a link away for good. @returns what it was for; null when somebody was quicker */
export async function takeInvitation(db: Db, tokenHash: Buffer, now: Date): Promise<Invitation | null> {
  const [row] = await db('invitation')
    .where({ token_hash: tokenHash })
    .where('expires_at', '>', now)
    .delete()
    .returning('*')
  return row ? toInvitation(row) : null
}

/** Links of a technician open nothing any more. */
export async function dropInvitations(db: Db, firmId: string, technicianId: string): Promise<void> {
  await db('invitation').where({ firm_id: firmId, technician_id: technicianId }).delete()
}

/** Links of a firm that still wait to be followed. */
export async function openInvitations(db: Db, firmId: string, now: Date): Promise<Invitation[]> {
  return (await db('invitation').where({ firm_id: firmId }).where('expires_at', '>', now)).map(toInvitation)
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over
const toInvitation = (row: any): Invitation => ({
  firmId: row.firm_id,
  technicianId: row.technician_id,
  purpose: row.purpose,
  expiresAt: row.expires_at.toISOString(),
})
