import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Ledgers } from '../core/standing/histories.ts'
import { type ReckonOptions, reckonMachine } from '../core/standing/reckon-machine.ts'
import { reckonSoftener } from '../core/standing/reckon-softener.ts'
import type { Reckoning } from '../core/standing/standing.ts'
import type { Trx } from '../records/database.ts'
import { storeReckonings } from '../records/standings.ts'
import { type FedMachine, fedBy, type Reckoned } from '../records/subjects.ts'
import { keepPasts, type LedgersById, thinnedLedgers } from './long-pasts.ts'

/**
 * Reckons machines and softeners from the ledger and stores their standings, in the caller's transaction.
 * @param pending - entries about to be appended in the same transaction
 */
export async function reckonAndStore(
  trx: Trx,
  firmId: string,
  subjects: Reckoned[],
  pending: RecordedEntry[],
): Promise<void> {
  if (subjects.length === 0) return
  const softenerIds = subjects.filter((subject) => subject.kind === 'softener').map((subject) => subject.id)
  const fed = softenerIds.length > 0 ? await fedBy(trx, softenerIds) : []
  const { byId, toKeep } = await thinnedLedgers(trx, idsOf(firmId, [...subjects, ...fed]), pending)
  const reckoned = subjects.map((subject) => ({
    subject,
    reckoning: reckonSubject(firmId, subject, fed, byId, { showWorking: false }),
  }))
  await storeReckonings(trx, firmId, reckoned)
  await keepPasts(trx, firmId, toKeep, subjects)
}

/** Reckons one machine or softener from ledgers already fetched. */
function reckonSubject(
  firmId: string,
  subject: Reckoned,
  fed: FedMachine[],
  byId: LedgersById,
  options: ReckonOptions,
): Reckoning | null {
  const ledgers = ledgersOf(firmId, subject, byId)
  if (subject.kind === 'machine') return reckonMachine(ledgers, options)
  const behind = fed.filter((machine) => machine.behind === subject.id)
  return reckonSoftener(
    ledgers,
    behind.map((machine) => ledgersOf(firmId, machine, byId)),
    options,
  )
}

/** One machine or softener with its whole arithmetic: the stored standings carry none. */
export async function reckonShown(trx: Trx, firmId: string, subject: Reckoned): Promise<Reckoning | null> {
  const fed = subject.kind === 'softener' ? await fedBy(trx, [subject.id]) : []
  const byId = await ledgersById(trx, firmId, [subject, ...fed])
  return reckonSubject(firmId, subject, fed, byId, { showWorking: true })
}

/** The entries the given subjects' reckonings read, by what they are about; of long pasts what a reckoning needs. */
export const ledgersById = async (trx: Trx, firmId: string, subjects: Reckoned[]): Promise<LedgersById> =>
  (await thinnedLedgers(trx, idsOf(firmId, subjects))).byId

/** Everything whose entries the given subjects' reckonings read. */
function idsOf(firmId: string, subjects: Reckoned[]): string[] {
  const ids = new Set([firmId])
  for (const subject of subjects) {
    for (const id of [subject.id, subject.siteId, subject.customerId]) ids.add(id)
    if (subject.supplyId) ids.add(subject.supplyId)
    if (subject.softenerId) ids.add(subject.softenerId)
  }
  return [...ids]
}

/** The ledgers of one machine or softener, by level. */
export function ledgersOf(firmId: string, subject: Reckoned, byId: LedgersById): Ledgers {
  const softenerId = subject.kind === 'softener' ? subject.id : subject.softenerId
  return {
    ...(subject.kind === 'machine' && { machine: byId.get(subject.id) ?? [] }),
    ...(softenerId && { softener: byId.get(softenerId) ?? [] }),
    site: byId.get(subject.siteId) ?? [],
    customer: byId.get(subject.customerId) ?? [],
    supply: (subject.supplyId && byId.get(subject.supplyId)) || [],
    firm: byId.get(firmId) ?? [],
  }
}
