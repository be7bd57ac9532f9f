import type { Trx } from './database.ts'

export interface Customer {
  id: string
  name: string
}

/** A water zone: what the works delivers to many sites. */
export interface Supply {
  id: string
  name: string
}

export interface Site {
  id: string
  customerId: string
  supplyId: string
  /** Who usually goes there. */
  technicianId: string
  name: string
  area: string
  timeZone: string
  accessNote: string
}

export async function addCustomer(trx: Trx, firmId: string, customer: Customer): Promise<void> {
  await trx('subject').insert({ firm_id: firmId, id: customer.id, kind: 'customer' })
  await trx('customer').insert({ firm_id: firmId, ...customer })
}

export async function addSupply(trx: Trx, firmId: string, supply: Supply): Promise<void> {
  await trx('subject').insert({ firm_id: firmId, id: supply.id, kind: 'supply' })
  await trx('supply').insert({ firm_id: firmId, ...supply })
}

export async function addSite(trx: Trx, firmId: string, site: Site): Promise<void> {
  await trx('subject').insert({ firm_id: firmId, id: site.id, kind: 'site' })
  await trx('site').insert({
    firm_id: firmId,
    id: site.id,
    customer_id: site.customerId,
    supply_id: site.supplyId,
    technician_id: site.technicianId,
    name: site.name,
    area: site.area,
    time_zone: site.timeZone,
    access_note: site.accessNote,
  })
}

export async function sites(trx: Trx): Promise<Site[]> {
  const rows = await trx('site').orderBy('name')
  return rows.map(toSite)
}

export async function siteById(trx: Trx, id: string): Promise<Site | null> {
  const row = await trx('site').where({ id }).first()
  return row ? toSite(row) : null
}

export async function supplyById(trx: Trx, id: string): Promise<Supply | null> {
  const row = await trx('supply').where({ id }).first()
  return row ? { id: row.id, name: row.name } : null
}

const toSite = (row: Record<string, string>): Site => ({
  id: row.id!,
  customerId: row.customer_id!,
  supplyId: row.supply_id!,
  technicianId: row.technician_id!,
  name: row.name!,
  area: row.area!,
  timeZone: row.time_zone!,
  accessNote: row.access_note!,
})
