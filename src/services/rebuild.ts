import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { ask } from '../records/job-queue.ts'
import { forgetAllPasts } from '../records/pasts.ts'
import { letRest, markAllStale, markStale, reckonedByIds, toReckon } from '../records/subjects.ts'
import { reckonAndStore } from './reckon-subjects.ts'

/** How many are reckoned in the first transaction, and at most in one. */
const batches = { first: 10, most: 200 }
/** How long a transaction may keep others from the machines in it, ms: whoever saves waits five seconds at most. */
const heldMs = 500

/**
 * How many to take next, so that a transaction takes about half a second on this server as busy as it is.
 * @param tookMs - how long the last transaction took with `size` of them
 * @example nextBatch(10, 50) // 20: at most twice as many
 * @example nextBatch(100, 4000) // 12
 */
export function nextBatch(size: number, tookMs: number): number {
  const fitting = Math.floor((size * heldMs) / Math.max(tookMs, 1))
  return Math.max(1, Math.min(fitting, size * 2, batches.most))
}

/**
 * Reckons what is stale or was reckoned by an older version, a batch a transaction, until nothing is
 * left or the signal stops it. Batches skip rows another worker holds.
 *
 * @returns how many machines and softeners were reckoned
 */
export async function reckonWaiting(db: Db, firmId: string, signal?: AbortSignal): Promise<number> {
  let done = 0
  let size = batches.first
  while (!signal?.aborted) {
    const begunMs = performance.now()
    const count = await retrying(() =>
      withFirm(db, firmId, async (trx) => {
        const waiting = await toReckon(trx, size)
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
    size = nextBatch(size, performance.now() - begunMs)
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
