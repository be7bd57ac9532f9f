import type { Db } from './database.ts'

/** Something begun that is to be finished within minutes. */
export interface HalfWay {
  what: 'second' | 'passkey-in' | 'passkey-added'
  firmId?: string
  technicianId?: string
  /** What a passkey has to sign. */
  challenge?: string
  tries: number
}

export async function beginHalfWay(
  db: Db,
  tokenHash: Buffer,
  begun: Omit<HalfWay, 'tries'>,
  now: Date,
  expiresAt: Date,
): Promise<void> {
  await db('half_way').where('expires_at', '<', now).delete()
  await db('half_way').insert({
    token_hash: tokenHash,
    what: begun.what,
    firm_id: begun.firmId ?? null,
    technician_id: begun.technicianId ?? null,
    challenge: begun.challenge ?? null,
    expires_at: expiresAt,
  })
}

/** Counts a try, so that many at once are many. @returns null when there is none, or it is over */
export async function tryHalfWay(db: Db, tokenHash: Buffer, now: Date): Promise<HalfWay | null> {
  const [row] = await db('half_way')
    .where({ token_hash: tokenHash })
    .where('expires_at', '>', now)
    .increment('tries', 1)
    .returning('*')
  return row ? toHalfWay(row) : null
}

export async function readHalfWay(db: Db, tokenHash: Buffer, now: Date): Promise<HalfWay | null> {
  const row = await db('half_way').where({ token_hash: tokenHash }).where('expires_at', '>', now).first()
  return row ? toHalfWay(row) : null
}

/** @returns whether it was still there: of two that finish it one has it */
export async function endHalfWay(db: Db, tokenHash: Buffer): Promise<boolean> {
  return (await db('half_way').where({ token_hash: tokenHash }).delete()) === 1
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over
const toHalfWay = (row: any): HalfWay => ({
  what: row.what,
  ...(row.firm_id && { firmId: row.firm_id, technicianId: row.technician_id }),
  ...(row.challenge && { challenge: row.challenge }),
  tries: row.tries,
})
