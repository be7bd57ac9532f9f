import type { Db } from './database.ts'

export interface Account {
  email: string
  firmId: string
  technicianId: string
  passwordHash: string
}

/** The account behind an address; null when there is none. Addresses compare in small letters. */
export async function accountByEmail(db: Db, email: string): Promise<Account | null> {
  const row = await db('account').where({ email: email.trim().toLowerCase() }).first()
  return row
    ? {
        email: row.email,
        firmId: row.firm_id,
        technicianId: row.technician_id,
        passwordHash: row.password_hash,
      }
    : null
}

export async function addAccount(db: Db, account: Account): Promise<void> {
  await db('account').insert({
    email: account.email.trim().toLowerCase(),
    firm_id: account.firmId,
    technician_id: account.technicianId,
    password_hash: account.passwordHash,
  })
}

/** Every firm that someone can sign in to: what a background worker goes through. */
export async function firmIds(db: Db): Promise<string[]> {
  return db('account').distinct('firm_id').pluck('firm_id')
}
