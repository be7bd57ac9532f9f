import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { ask } from '../records/job-queue.ts'
import { forgetAllPasts } from '../records/pasts.ts'
import { letRest, markAllStale, markStale, reckonedByIds, toReckon } from '../records/subjects.ts'
import { reckonAndStore } from './reckon-subjects.ts'

const batch = 100

/**
 * Reckons what is stale or was reckoned by an older version, a batch a transaction, until nothing is
 * left or the signal stops it. Batches skip rows another worker holds.
 *
 * @returns how many machines and softeners were reckoned
 */
export async function reckonWaiting(db: Db, firmId: string, signal?: AbortSignal): Promise<number> {
  let done = 0
  while (!signal?.aborted) {
    const count = await retrying(() =>
      withFirm(db, firmId, async (trx) => {
        const waiting = await toReckon(trx, batch)
        const found = await reckonedByIds(trx, waiting)
        await reckonAndStore(trx, firmId, found, [])
        // What was removed has nothing to be reckoned.
        const there = new Set(found.map(({ id }) => id))
        await letRest(
          trx,
          waiting.flatMap(({ id }) => (there.has(id) ? [] : [id])),
        )
        return waiting.length
      }),
    )
    done += count
    if (count === 0) break
  }
  return done
}

/** Leaves machines and softeners to whoever works in the background, in the transaction that moves them. */
export async function reckonLater(trx: Trx, firmId: string, ids: string[]): Promise<void> {
  if (ids.length === 0) return
  await markStale(trx, ids)
  await ask(trx, 'reckon', { firmId })
}

/** Forgets what is kept of long pasts and marks everything of a firm stale: all of it is made anew from the ledger. */
export async function forgetStandings(db: Db, firmId: string): Promise<void> {
  await withFirm(db, firmId, async (trx) => {
    await forgetAllPasts(trx)
    await markAllStale(trx)
    await ask(trx, 'reckon', { firmId })
  })
}
