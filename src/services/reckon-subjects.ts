import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { Ledgers } from '../core/standing/histories.ts'
import { reckonMachine } from '../core/standing/reckon-machine.ts'
import { reckonSoftener } from '../core/standing/reckon-softener.ts'
import type { Trx } from '../records/database.ts'
import { entriesOf } from '../records/ledger.ts'
import { storeReckoning } from '../records/standings.ts'
import { fedBy, type Reckoned } from '../records/subjects.ts'

type ById = Map<string, RecordedEntry[]>

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
  const byId = await ledgersById(trx, firmId, [...subjects, ...fed], pending)
  for (const subject of subjects) {
    const reckoning =
      subject.kind === 'machine'
        ? reckonMachine(ledgersOf(firmId, subject, byId))
        : reckonSoftener(
            ledgersOf(firmId, subject, byId),
            fed
              .filter((machine) => machine.softenerId === subject.id)
              .map((machine) => ledgersOf(firmId, machine, byId)),
          )
    await storeReckoning(trx, firmId, subject, reckoning)
  }
}

/** All entries the given subjects' reckonings read, by what they are about. */
export async function ledgersById(
  trx: Trx,
  firmId: string,
  subjects: Reckoned[],
  pending: RecordedEntry[] = [],
): Promise<ById> {
  const ids = new Set([firmId])
  for (const subject of subjects) {
    for (const id of [subject.id, subject.siteId, subject.customerId, subject.supplyId]) ids.add(id)
    if (subject.softenerId) ids.add(subject.softenerId)
  }
  const byId: ById = new Map()
  for (const entry of [...(await entriesOf(trx, [...ids])), ...pending]) {
    const about = byId.get(entry.subjectId)
    if (about) about.push(entry)
    else byId.set(entry.subjectId, [entry])
  }
  return byId
}

/** The ledgers of one machine or softener, by level. */
export function ledgersOf(firmId: string, subject: Reckoned, byId: ById): Ledgers {
  const softenerId = subject.kind === 'softener' ? subject.id : subject.softenerId
  return {
    ...(subject.kind === 'machine' && { machine: byId.get(subject.id) ?? [] }),
    ...(softenerId && { softener: byId.get(softenerId) ?? [] }),
    site: byId.get(subject.siteId) ?? [],
    customer: byId.get(subject.customerId) ?? [],
    supply: byId.get(subject.supplyId) ?? [],
    firm: byId.get(firmId) ?? [],
  }
}
