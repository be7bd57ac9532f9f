import type { RecordedEntry } from '../core/ledger/entry.ts'
import { longPastThinned, pastBefore, readWhole } from '../core/ledger/long-past.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from '../records/database.ts'
import { keepPast, readLedgers } from '../records/pasts.ts'

/** Entries by what they are about. */
export type LedgersById = Map<string, RecordedEntry[]>

/** What is worth keeping of a long past, so that the next reckoning need not read it. */
interface PastToKeep {
  subjectId: string
  beforeOn: LocalDay
  entryIds: string[]
}

/** A past is made anew when so many entries more than are read as they are lie after it, or were read for want of one. */
const worthKeeping = 200

/**
 * Ledgers as reckonings read them, their long pasts thinned; and what to keep of a past that had to be read for it.
 *
 * @param pending - entries about to be appended in the same transaction
 */
export async function thinnedLedgers(
  trx: Trx,
  subjectIds: string[],
  pending: RecordedEntry[] = [],
): Promise<{ byId: LedgersById; toKeep: PastToKeep[] }> {
  const ledgers = await readLedgers(trx, subjectIds)
  const byId: LedgersById = new Map()
  const toKeep: PastToKeep[] = []
  for (const subjectId of subjectIds) {
    const { past, since, pastBefore: kept } = ledgers.get(subjectId) ?? { past: [], since: [], pastBefore: null }
    const coming = pending.filter((entry) => entry.subjectId === subjectId)
    const all = [...past, ...since, ...coming]
    const entries = longPastThinned(all)
    byId.set(subjectId, entries)
    if (since.length < readWhole + worthKeeping) continue
    const beforeOn = pastBefore(all)
    // What is just being written is not in the ledger yet: such a past is kept the next time.
    if (!beforeOn || (kept && beforeOn <= kept) || coming.some(({ happenedOn }) => happenedOn < beforeOn)) continue
    const old = entries.filter(({ happenedOn }) => happenedOn < beforeOn)
    toKeep.push({ subjectId, beforeOn, entryIds: old.map(({ id }) => id) })
  }
  return { byId, toKeep }
}

/** Keeps pasts of subjects whose rows are locked by the caller. */
export async function keepPasts(
  trx: Trx,
  firmId: string,
  toKeep: PastToKeep[],
  locked: { id: string }[],
): Promise<void> {
  for (const { subjectId, beforeOn, entryIds } of toKeep)
    if (locked.some(({ id }) => id === subjectId)) await keepPast(trx, firmId, subjectId, beforeOn, entryIds)
}
