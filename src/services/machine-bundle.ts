import type { RecordedEntry } from '../core/ledger/entry.ts'
import { type Db, withFirm } from '../records/database.ts'
import { technicians, theFirm } from '../records/firms.ts'
import { machineById, softenerById } from '../records/machines.ts'
import { siteById, supplyById } from '../records/places.ts'
import { fedBy, reckonedBy } from '../records/subjects.ts'
import type { MachineBundle } from '../views/machine-bundle.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

/** Everything a field screen of one machine needs; null when it is not this firm's. */
export async function machineBundle(db: Db, firmId: string, machineId: string): Promise<MachineBundle | null> {
  return withFirm(db, firmId, async (trx) => {
    const machine = await machineById(trx, machineId)
    if (!machine) return null
    const site = (await siteById(trx, machine.siteId))!
    const supply = (await supplyById(trx, site.supplyId))!
    const softener = machine.softenerId ? await softenerById(trx, machine.softenerId) : null
    const self = (await reckonedBy(trx, { id: machineId, kind: 'machine' })).find(
      (subject) => subject.id === machineId,
    )!
    const beside = softener ? (await fedBy(trx, [softener.id])).filter((fed) => fed.id !== machineId) : []
    const byId = await ledgersById(trx, firmId, [self, ...beside])
    const subject = await trx('subject').where({ id: machineId }).first('stale')
    const { id, name, maker, model, serial, kind, version } = machine
    return {
      firmId,
      machine: { id, name, maker, model, serial, kind, version },
      site: {
        id: site.id,
        name: site.name,
        area: site.area,
        timeZone: site.timeZone,
        accessNote: site.accessNote,
        supplyName: supply.name,
      },
      softener: softener && { id: softener.id, name: softener.name },
      ledgers: ledgersOf(firmId, self, byId) as Record<string, RecordedEntry[]>,
      fedBeside: beside.map((fed) => ledgersOf(firmId, fed, byId) as Record<string, RecordedEntry[]>),
      technicians: (await technicians(trx)).map((person) => ({
        id: person.id,
        name: person.name,
        initials: person.initials,
      })),
      seq: (await theFirm(trx))?.seq ?? 0,
      stale: subject?.stale ?? false,
    }
  })
}
