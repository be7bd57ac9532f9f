import { setTimeout as wait } from 'node:timers/promises'
import { parentPort, workerData } from 'node:worker_threads'
import { firmIds } from '../records/accounts.ts'
import { openDatabase } from '../records/database.ts'
import { catchUp } from '../services/projections.ts'

/** How often the worker looks for machines that wait to be reckoned. */
const everyMs = 2000

// A thread of its own: fifty thousand machines reckoned anew must not make a page wait.
const { databaseUrl } = workerData as { databaseUrl: string }
const db = openDatabase(databaseUrl, 1)
const stopping = new AbortController()
parentPort!.once('message', () => stopping.abort())

while (!stopping.signal.aborted) {
  try {
    for (const firmId of await firmIds(db)) {
      const count = await catchUp(db, firmId, stopping.signal)
      if (count > 0) parentPort!.postMessage({ firmId, count })
    }
  } catch (error) {
    parentPort!.postMessage({ error: String((error as Error).stack ?? error) })
  }
  await wait(everyMs, undefined, { signal: stopping.signal }).catch(() => undefined)
}
await db.destroy()
parentPort!.close()
