import type { Db, Trx } from './database.ts'

/** A person of a firm, as accounts and proofs name them. */
export interface Holder {
  firmId: string
  technicianId: string
}

const of = ({ firmId, technicianId }: Holder) => ({ firm_id: firmId, technician_id: technicianId })

export interface CodeApp {
  secret: string
  isConfirmed: boolean
  lastStep: number
}

export async function codeAppOf(trx: Trx, holder: Holder): Promise<CodeApp | null> {
  const row = await trx('code_app').where(of(holder)).first()
  return row ? { secret: row.secret, isConfirmed: row.confirmed_at !== null, lastStep: row.last_step } : null
}

/** Begins anew with a secret of its own: the one before is forgotten only where it was never confirmed. */
export async function beginCodeApp(trx: Trx, holder: Holder, secret: string): Promise<void> {
  await trx('code_app').where(of(holder)).whereNull('confirmed_at').delete()
  await trx('code_app').insert({ ...of(holder), secret })
}

/**
 * Takes a code of that half minute, once.
 * @returns false when one of it, or of a later one, was taken already
 */
export async function takeStep(trx: Trx, holder: Holder, step: number, confirmedAt?: Date): Promise<boolean> {
  const taken = await trx('code_app')
    .where(of(holder))
    .where('last_step', '<', step)
    .update({ last_step: step, ...(confirmedAt && { confirmed_at: confirmedAt }) })
  return taken === 1
}

export const dropCodeApp = (trx: Trx, holder: Holder): Promise<number> => trx('code_app').where(of(holder)).delete()

export async function setRecoveryCodes(trx: Trx, holder: Holder, hashes: Buffer[]): Promise<void> {
  await trx('recovery_code').where(of(holder)).delete()
  if (hashes.length > 0) await trx('recovery_code').insert(hashes.map((hash) => ({ ...of(holder), code_hash: hash })))
}

export async function countRecoveryCodes(trx: Trx, holder: Holder): Promise<number> {
  const [row] = await trx('recovery_code').where(of(holder)).count()
  return Number(row!.count)
}

/** @returns whether there was one of that hash; there is none any more */
export async function takeRecoveryCode(trx: Trx, holder: Holder, hash: Buffer): Promise<boolean> {
  return (
    (await trx('recovery_code')
      .where({ ...of(holder), code_hash: hash })
      .delete()) === 1
  )
}

export interface Passkey extends Holder {
  id: string
  publicKey: Uint8Array<ArrayBuffer>
  counter: number
  transports: string[]
  name: string
  createdAt: string
  seenAt?: string
}

export async function addPasskey(db: Db, passkey: Passkey): Promise<void> {
  await db('passkey').insert({
    ...of(passkey),
    id: passkey.id,
    public_key: Buffer.from(passkey.publicKey),
    counter: passkey.counter,
    transports: JSON.stringify(passkey.transports),
    name: passkey.name,
    created_at: passkey.createdAt,
  })
}

export async function passkeysOf(db: Db, holder: Holder): Promise<Passkey[]> {
  return (await db('passkey').where(of(holder)).orderBy('created_at')).map(toPasskey)
}

export async function passkeyById(db: Db, id: string): Promise<Passkey | null> {
  const row = await db('passkey').where({ id }).first()
  return row ? toPasskey(row) : null
}

/** Who of a firm shows more than a password. */
export async function whoHasProofs(trx: Trx, firmId: string): Promise<Set<string>> {
  const apps = await trx('code_app').whereNotNull('confirmed_at').pluck('technician_id')
  return new Set([...apps, ...(await trx('passkey').where({ firm_id: firmId }).pluck('technician_id'))])
}

export async function usePasskey(db: Db, id: string, counter: number, now: Date): Promise<void> {
  await db('passkey').where({ id }).update({ counter, seen_at: now })
}

/** @returns how many there were */
export async function dropPasskeys(db: Db, holder: Holder, id?: string): Promise<number> {
  return db('passkey')
    .where({ ...of(holder), ...(id !== undefined && { id }) })
    .delete()
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over
const toPasskey = (row: any): Passkey => ({
  id: row.id,
  firmId: row.firm_id,
  technicianId: row.technician_id,
  publicKey: Uint8Array.from(row.public_key),
  counter: row.counter,
  transports: row.transports,
  name: row.name,
  createdAt: row.created_at.toISOString(),
  ...(row.seen_at && { seenAt: row.seen_at.toISOString() }),
})
