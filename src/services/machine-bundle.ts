import type { RecordedEntry } from '../core/ledger/entry.ts'
import { pastBefore } from '../core/ledger/long-past.ts'
import { papersTo } from '../core/letters/visit-letter.ts'
import { effective, type Ledgers } from '../core/standing/histories.ts'
import { tasksToWrite } from '../core/standing/tasks/index.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { technicians, theFirm } from '../records/firms.ts'
import { allKept, keptById } from '../records/kept.ts'
import { countEntries, entriesOf } from '../records/ledger.ts'
import { fedBy, isStale, reckonedByIds } from '../records/subjects.ts'
import type { LeftOut, MachineBundle } from '../views/machine-bundle.ts'
import type { LedgersById } from './long-pasts.ts'
import { papersOf } from './papers-of.ts'
import { ledgersById, ledgersOf } from './reckon-subjects.ts'

type BundleLedgers = MachineBundle['ledgers']

/** What is another machine's alone: most share site, customer, supply and firm, which would be sent once a machine. */
function apartFrom(own: BundleLedgers, theirs: Ledgers): BundleLedgers {
  const levels = Object.keys({ ...own, ...theirs }) as (keyof BundleLedgers)[]
  return Object.fromEntries(
    levels.filter((level) => theirs[level] !== own[level]).map((level) => [level, theirs[level] ?? []]),
  )
}

/** What was left out of the ledgers a history is shown from. */
async function leftOut(trx: Trx, shown: (string | null)[], byId: LedgersById): Promise<LeftOut | null> {
  const ids = shown.filter((id) => id !== null)
  const pasts = ids.flatMap((id) => pastBefore(byId.get(id) ?? []) ?? [])
  if (pasts.length === 0) return null
  const here = ids.reduce((sum, id) => sum + (byId.get(id)?.length ?? 0), 0)
  return { before: pasts.sort().at(-1)!, entries: (await countEntries(trx, ids)) - here }
}

/** All that a machine's history tells: its own ledger and those of its softener and its site, whole. */
export async function wholeHistory(db: Db, firmId: string, machineId: string): Promise<RecordedEntry[] | null> {
  return lookIn(db, firmId, async (trx) => {
    const [self] = await reckonedByIds(trx, [{ id: machineId, kind: 'machine' }])
    return self ? entriesOf(trx, [self.id, self.siteId, ...(self.softenerId ? [self.softenerId] : [])]) : null
  })
}

/** Everything a field screen of one machine needs; null when it is not this firm's. */
export async function machineBundle(db: Db, firmId: string, machineId: string): Promise<MachineBundle | null> {
  return lookIn(db, firmId, async (trx) => {
    // First of all how far the firm's ledger goes: what is written while the rest is read is then asked for again.
    const [firm, [self], machine, people, instruments, stale] = await Promise.all([
      theFirm(trx),
      reckonedByIds(trx, [{ id: machineId, kind: 'machine' }]),
      keptById(trx, 'machine', machineId),
      technicians(trx),
      allKept(trx, 'instrument'),
      isStale(trx, machineId),
    ])
    if (!self || !machine) return null
    const [site, customer, supply, softener, behind, calibrations] = await Promise.all([
      keptById(trx, 'site', self.siteId),
      keptById(trx, 'customer', self.customerId),
      self.supplyId ? keptById(trx, 'supply', self.supplyId) : null,
      self.softenerId ? keptById(trx, 'softener', self.softenerId) : null,
      fedBy(trx, self.softenerId ? [self.softenerId] : []),
      entriesOf(
        trx,
        instruments.map(({ id }) => id),
      ),
    ])
    if (!site || !customer) throw new Error(`Machine ${machineId} stands nowhere`)
    const beside = behind.filter((fed) => fed.id !== machineId)
    const byId = await ledgersById(trx, firmId, [self, ...beside])
    const ledgers = ledgersOf(firmId, self, byId) as BundleLedgers
    return {
      firmId,
      machine,
      site: {
        id: site.id,
        name: site.name,
        area: site.area,
        timeZone: site.timeZone,
        accessNote: site.accessNote,
        ...(supply && { supplyName: supply.name }),
        customer: { id: customer.id, name: customer.name, ...(papersTo(customer) && { email: papersTo(customer) }) },
        ...(site.altitudeM !== undefined && { altitudeM: site.altitudeM }),
      },
      softener: softener && { id: softener.id, name: softener.name },
      papers: await papersOf(trx, machine, customer, ledgers.machine ?? []),
      ledgers,
      leftOut: await leftOut(trx, [self.id, self.softenerId, self.siteId], byId),
      raisedTasks: tasksToWrite(effective(ledgers)),
      fedBeside: beside.map((fed) => apartFrom(ledgers, ledgersOf(firmId, fed, byId))),
      technicians: people.map(({ id, name, initials, leftOn }) => ({
        id,
        name,
        initials,
        ...(leftOn && { leftOn }),
      })),
      instruments: instruments
        .filter(({ retiredOn }) => !retiredOn)
        .map(({ id, name, kind, serial }) => ({
          id,
          name,
          kind,
          serial,
          calibrations: calibrations.filter((entry) => entry.subjectId === id),
        })),
      seq: firm?.seq ?? 0,
      stale,
    }
  })
}
