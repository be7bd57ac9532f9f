import { spawn } from 'node:child_process'
import { join } from 'node:path'
import { parentPort, Worker, workerData } from 'node:worker_threads'
import { openDatabase } from '../records/database.ts'
import { workOn } from '../records/job-queue.ts'
import { handlers } from '../services/background.ts'
import { setPostOffice } from '../services/letters/post-office.ts'
import type { LookForPlan } from '../services/weeks/search-plan.ts'
import type { WorkerSaid, WorkerTask } from './keep-worker.ts'
import { openMailbox } from './mailbox-door.ts'

// A thread of its own: fifty thousand machines reckoned anew must not make a page wait.
const { root, databaseUrl, backupAt, timeZone } = workerData as WorkerTask
const say = (said: WorkerSaid) => parentPort!.postMessage(said)
const db = openDatabase(databaseUrl, 2)
const stopping = new AbortController()

// Where no mail server is set, letters go to a mailbox of our own, over the same line.
const own = setPostOffice() ? null : await openMailbox(db)
const office = setPostOffice() ?? own!.office

const stop = await workOn(
  databaseUrl,
  handlers(db, { signal: stopping.signal, tell: say, backUp, lookForPlan, office }),
  {
    'look-round': { cron: '*/5 * * * *', timeZone },
    nightly: { cron: '40 2 * * *', timeZone },
    ...(backupAt && { backup: { cron: `${backupAt.minute} ${backupAt.hour} * * *`, timeZone } }),
  },
  (error) => say({ error: String(error.stack ?? error) }),
)
parentPort!.once('message', async () => {
  stopping.abort()
  await stop().catch((error) => say({ error: String(error) }))
  await own?.close()
  await db.destroy()
  parentPort!.close()
})

/**
 * In a thread of its own: somebody else’s transaction in this one would hold its locks for as long as the search takes,
 * and whoever saves would be told that the server is busy.
 */
function lookForPlan(asked: Parameters<LookForPlan>[0], signal?: AbortSignal): ReturnType<LookForPlan> {
  return new Promise((resolve, reject) => {
    if (signal?.aborted) return resolve(null)
    const thread = new Worker(join(root, 'dist/server/plan-thread.mjs'), { workerData: asked })
    const stop = () => {
      void thread.terminate()
      resolve(null)
    }
    signal?.addEventListener('abort', stop, { once: true })
    thread.once('message', resolve)
    thread.once('error', reject)
    thread.once('exit', (code) => {
      signal?.removeEventListener('abort', stop)
      if (code !== 0) reject(new Error(`The search for a plan ended by itself (${code})`))
    })
  })
}

/** In a process of its own, which thins the older ones too. */
async function backUp(): Promise<void> {
  const child = spawn(join(root, 'node_modules/.bin/tsx'), ['scripts/backup.ts', '--thin'], {
    cwd: root,
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text))
  const code = await new Promise<number | null>((resolve, reject) => {
    child.once('error', reject)
    child.once('close', resolve)
  })
  if (code !== 0) throw new Error(`The nightly backup failed: ${said.trim()}`)
  say({ backup: said.trim() })
}
