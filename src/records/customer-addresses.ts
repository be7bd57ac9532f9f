import type { Db, Trx } from './database.ts'

/** The address of a customer's page, printed on the machine or in the room. */
export interface CustomerAddress {
  token: string
  firmId: string
  subjectKind: 'machine' | 'site'
  subjectId: string
  /** Whose it was when it was made. */
  customerId: string
  madeAt: string
  madeBy: string
}

/** Gives a machine or a site an address; the one it had opens nothing any more. */
export async function addAddress(db: Db, address: CustomerAddress): Promise<void> {
  await db.transaction(async (trx) => {
    const { firmId, subjectId, madeAt } = address
    await trx('customer_address')
      .where({ firm_id: firmId, subject_id: subjectId, ended_at: null })
      .update({ ended_at: madeAt })
    await trx('customer_address').insert(toRow(address))
  })
}

/** Which page an address opens; null where it opens none, or none any more. */
export async function addressByToken(db: Db, token: string): Promise<CustomerAddress | null> {
  const row = await db('customer_address').where({ token, ended_at: null }).first()
  return row ? toAddress(row) : null
}

/** The addresses that open something of some machines and sites, by their ids. */
export async function addressesOf(db: Db, firmId: string, subjectIds: string[]): Promise<Map<string, CustomerAddress>> {
  const rows = await db('customer_address')
    .where({ firm_id: firmId, ended_at: null })
    .whereRaw('subject_id = any(?)', [subjectIds])
  return new Map(rows.map((row) => [row.subject_id, toAddress(row)]))
}

/** The address opens nothing any more. */
export async function endAddress(db: Db, firmId: string, subjectId: string, now: Date): Promise<void> {
  await db('customer_address')
    .where({ firm_id: firmId, subject_id: subjectId, ended_at: null })
    .update({ ended_at: now.toISOString() })
}

/** All addresses of a firm that open something, in an order of their own: printed labels go where the firm goes. */
export async function addressesOfFirm(trx: Trx, firmId: string): Promise<Omit<CustomerAddress, 'firmId'>[]> {
  const rows = await trx('customer_address').where({ firm_id: firmId, ended_at: null }).orderBy('token')
  return rows.map((row) => {
    const { firmId: _, ...address } = toAddress(row)
    return address
  })
}

export async function insertAddresses(
  trx: Trx,
  firmId: string,
  addresses: Omit<CustomerAddress, 'firmId'>[],
): Promise<void> {
  if (addresses.length > 0) await trx('customer_address').insert(addresses.map((one) => toRow({ ...one, firmId })))
}

/** Whoever is no longer served has no page, and their phones are known nowhere. */
export async function endAddressesOf(trx: Trx, firmId: string, customerId: string, now: Date): Promise<void> {
  await trx('customer_address')
    .where({ firm_id: firmId, customer_id: customerId, ended_at: null })
    .update({ ended_at: now.toISOString() })
  await trx('customer_phone')
    .where({ firm_id: firmId })
    .whereIn('site_id', trx('site').where({ customer_id: customerId }).select('id'))
    .delete()
}

const toRow = (address: CustomerAddress) => ({
  token: address.token,
  firm_id: address.firmId,
  subject_kind: address.subjectKind,
  subject_id: address.subjectId,
  customer_id: address.customerId,
  made_at: address.madeAt,
  made_by: address.madeBy,
})

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over; this function gives it its shape
const toAddress = (row: any): CustomerAddress => ({
  token: row.token,
  firmId: row.firm_id,
  subjectKind: row.subject_kind,
  subjectId: row.subject_id,
  customerId: row.customer_id,
  madeAt: row.made_at.toISOString(),
  madeBy: row.made_by,
})

/** A phone whose holder typed the word of a place. */
export interface CustomerPhone {
  firmId: string
  siteId: string
  /** The entry that set the word. */
  wordId: string
}

export async function rememberPhone(db: Db, keyHash: Buffer, phone: CustomerPhone, now: Date): Promise<void> {
  const { firmId, siteId, wordId } = phone
  // Those that were shown another word open nothing: they need not be kept.
  await db('customer_phone').where({ firm_id: firmId, site_id: siteId }).whereNot({ word_id: wordId }).delete()
  await db('customer_phone').insert({
    key_hash: keyHash,
    firm_id: firmId,
    site_id: siteId,
    word_id: wordId,
    made_at: now.toISOString(),
  })
}

export async function phoneByKey(db: Db, keyHash: Buffer): Promise<CustomerPhone | null> {
  const row = await db('customer_phone').where({ key_hash: keyHash }).first()
  return row ? { firmId: row.firm_id, siteId: row.site_id, wordId: row.word_id } : null
}
