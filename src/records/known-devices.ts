import type { Db } from './database.ts'
import type { Holder } from './second-proofs.ts'

export async function knowDevice(db: Db, tokenHash: Buffer, holder: Holder, now: Date): Promise<void> {
  await db('known_device')
    .insert({
      token_hash: tokenHash,
      firm_id: holder.firmId,
      technician_id: holder.technicianId,
      created_at: now,
      seen_at: now,
    })
    .onConflict('token_hash')
    .merge({ firm_id: holder.firmId, technician_id: holder.technicianId, seen_at: now })
}

/** Whether somebody has signed in there before, this person last. */
export async function isKnownDevice(db: Db, tokenHash: Buffer, holder: Holder): Promise<boolean> {
  const row = await db('known_device')
    .where({ token_hash: tokenHash, firm_id: holder.firmId, technician_id: holder.technicianId })
    .first()
  return row !== undefined
}

export async function forgetDevices(db: Db, holder: Holder): Promise<void> {
  await db('known_device').where({ firm_id: holder.firmId, technician_id: holder.technicianId }).delete()
}
