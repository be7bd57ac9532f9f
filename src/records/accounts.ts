import type { Db } from './database.ts'

export interface Account {
  email: string
  firmId: string
  technicianId: string
  passwordHash: string
}

const small = (email: string) => email.trim().toLowerCase()

/** The account behind an address; null when there is none. Addresses compare in small letters. */
export async function accountByEmail(db: Db, email: string): Promise<Account | null> {
  const row = await db('account')
    .where({ email: small(email) })
    .first()
  return row ? toAccount(row) : null
}

/** Accounts of a firm: who can sign in. */
export async function accountsOf(db: Db, firmId: string): Promise<Account[]> {
  return (await db('account').where({ firm_id: firmId }).orderBy('email')).map(toAccount)
}

export async function addAccount(db: Db, account: Account): Promise<void> {
  await db('account').insert({
    email: small(account.email),
    firm_id: account.firmId,
    technician_id: account.technicianId,
    password_hash: account.passwordHash,
  })
}

export async function setPassword(db: Db, firmId: string, technicianId: string, passwordHash: string): Promise<void> {
  await db('account').where({ firm_id: firmId, technician_id: technicianId }).update({ password_hash: passwordHash })
}

/** Every firm that someone can sign in to: what a background worker goes through. */
export async function firmIds(db: Db): Promise<string[]> {
  return db('account').distinct('firm_id').pluck('firm_id')
}

const toAccount = (row: Record<string, string>): Account => ({
  email: row.email!,
  firmId: row.firm_id!,
  technicianId: row.technician_id!,
  passwordHash: row.password_hash!,
})

export async function dropAccount(db: Db, firmId: string, technicianId: string): Promise<void> {
  await db('account').where({ firm_id: firmId, technician_id: technicianId }).delete()
}
