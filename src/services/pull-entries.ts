import type { RecordedEntry } from '../core/ledger/entry.ts'
import { inTodaysWords } from '../core/ledger/upcast.ts'
import { type Db, lookIn } from '../records/database.ts'
import { entriesSince } from '../records/ledger.ts'

/** A page of what was written after a cursor; `next` is the cursor to go on from, absent at the end. */
export async function entriesAfter(
  db: Db,
  firmId: string,
  since: number,
  limit: number,
): Promise<{ entries: RecordedEntry[]; next?: number }> {
  const entries = await lookIn(db, firmId, (trx) => entriesSince(trx, since, limit))
  return { entries: entries.map(inTodaysWords), ...(entries.length === limit && { next: entries.at(-1)!.seq }) }
}
