import type { Trx } from './database.ts'

export interface Machine {
  id: string
  siteId: string
  softenerId: string | null
  name: string
  maker: string
  model: string
  serial: string
  kind: string
  version: number
}

export interface Softener {
  id: string
  siteId: string
  name: string
}

export async function addMachine(trx: Trx, firmId: string, machine: Omit<Machine, 'version'>): Promise<void> {
  await trx('subject').insert({ firm_id: firmId, id: machine.id, kind: 'machine' })
  const { id, siteId, softenerId, name, maker, model, serial, kind } = machine
  await trx('machine').insert({
    firm_id: firmId,
    id,
    site_id: siteId,
    softener_id: softenerId,
    name,
    maker,
    model,
    serial,
    kind,
  })
}

export async function addSoftener(trx: Trx, firmId: string, softener: Softener): Promise<void> {
  await trx('subject').insert({ firm_id: firmId, id: softener.id, kind: 'softener' })
  await trx('softener').insert({
    firm_id: firmId,
    id: softener.id,
    site_id: softener.siteId,
    name: softener.name,
  })
}

export async function machineById(trx: Trx, id: string): Promise<Machine | null> {
  const row = await trx('machine').where({ id }).first()
  return row ? toMachine(row) : null
}

/** Machines by serial number, for matching a spreadsheet; compared without regard to case. */
export async function machinesBySerial(trx: Trx, serials: string[]): Promise<Machine[]> {
  if (serials.length === 0) return []
  const wanted = serials.map((serial) => serial.toLowerCase())
  const rows = await trx('machine').whereRaw('lower(serial) = any(?)', [wanted])
  return rows.map(toMachine)
}

export async function softenerById(trx: Trx, id: string): Promise<Softener | null> {
  const row = await trx('softener').where({ id }).first()
  return row ? { id: row.id, siteId: row.site_id, name: row.name } : null
}

/**
 * Changes what a machine is called.
 * @returns the new version, or null when somebody changed it since `version`
 */
export async function renameMachine(
  trx: Trx,
  id: string,
  version: number,
  names: Pick<Machine, 'name' | 'maker' | 'model' | 'serial'>,
): Promise<number | null> {
  const { name, maker, model, serial } = names
  const rows = await trx('machine')
    .where({ id, version })
    .update({ name, maker, model, serial, version: version + 1 })
    .returning('version')
  return rows[0]?.version ?? null
}

const toMachine = (row: Record<string, never>): Machine => ({
  id: row.id!,
  siteId: row.site_id!,
  softenerId: row.softener_id ?? null,
  name: row.name!,
  maker: row.maker!,
  model: row.model!,
  serial: row.serial!,
  kind: row.kind!,
  version: row.version!,
})
