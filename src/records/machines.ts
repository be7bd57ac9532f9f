import type { Trx } from './database.ts'

/** A machine by the number on its plate. */
export interface MachineBySerial {
  id: string
  name: string
  serial: string
  kind: string
  siteId: string
}

/** Machines by serial number, whatever its capitals. */
export async function machinesBySerial(trx: Trx, serials: string[]): Promise<MachineBySerial[]> {
  const wanted = serials.filter(Boolean).map((serial) => serial.toLowerCase())
  if (wanted.length === 0) return []
  const rows = await trx('machine').whereRaw('lower(serial) = any(?)', [wanted])
  return rows.map((row) => ({
    id: row.id,
    name: row.name,
    serial: row.serial,
    kind: row.kind,
    siteId: row.site_id,
  }))
}

/** Puts a machine where its history says it stands now. */
export async function placeMachine(
  trx: Trx,
  id: string,
  place: { siteId: string; softenerId: string | null },
): Promise<void> {
  await trx('machine').where({ id }).update({ site_id: place.siteId, softener_id: place.softenerId })
}

/** Keeps what its history says it is. */
export async function sayKind(trx: Trx, id: string, kind: string): Promise<void> {
  await trx('machine').where({ id }).update({ kind })
}
