import type { Trx } from './database.ts'

export interface Technician {
  id: string
  name: string
  initials: string
  role: 'owner' | 'technician'
}

export interface Firm {
  id: string
  name: string
  demo: boolean
  seq: number
}

export async function addFirm(trx: Trx, firm: { id: string; name: string; demo: boolean }): Promise<void> {
  await trx('firm').insert(firm)
  await trx('subject').insert({ firm_id: firm.id, id: firm.id, kind: 'firm' })
}

/** The firm this transaction belongs to; null when it is gone. */
export async function theFirm(trx: Trx): Promise<Firm | null> {
  const row = await trx('firm').first()
  return row ? { id: row.id, name: row.name, demo: row.demo, seq: row.seq } : null
}

export async function addTechnician(trx: Trx, firmId: string, technician: Technician): Promise<void> {
  const { id, name, initials, role } = technician
  await trx('technician').insert({ firm_id: firmId, id, name, initials, role })
}

export async function technicians(trx: Trx): Promise<Technician[]> {
  const rows = await trx('technician').orderBy('name')
  return rows.map(({ id, name, initials, role }) => ({ id, name, initials, role }))
}
