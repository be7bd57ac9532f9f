import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Knex } from 'knex'
import { freePort, startCluster } from '../scripts/cluster.ts'
import { bringUpToDate, privateDatabase } from '../scripts/database.ts'
import { root } from '../scripts/install.mjs'
import { reckonMachine } from '../src/core/standing/reckon-machine.ts'
import { addAccount } from '../src/records/accounts.ts'
import { openDatabase, withFirm } from '../src/records/database.ts'
import { serve } from '../src/server/serve.ts'
import { reckonWaiting } from '../src/services/rebuild.ts'
import { openSession } from '../src/services/sign-in.ts'
import { isWritten, writeGroup } from '../src/services/write-entries.ts'
import { longHistory } from './long-history.ts'
import { machineLedgers } from './machine-ledgers.ts'
import { makeManyMachines } from './many-machines.ts'
import { scriptBytes } from './script-bytes.ts'

// One of two trees that `npm run bench:against` times in turn: it does a round of a task when it is told to, and says
// how many milliseconds it took, or how many bytes there were. It runs in trees that do not know it.
const today = '2026-11-26'
const now = new Date(`${today}T07:34:00Z`)
const work = mkdtempSync(join(tmpdir(), 'evenshot-tree-'))
const cluster = await startCluster(join(work, 'data'))
const urls = await privateDatabase(cluster, join(work, 'data'), 'evenshot_tree')
await bringUpToDate(urls)
const owner = openDatabase(urls.ownerUrl, 2)
const app = openDatabase(urls.appUrl, 4)
const firmId = await makeManyMachines(owner, 40, today)
const [plain, long] = (await withFirm(app, firmId, (trx) => trx('machine').orderBy('id').limit(2).pluck('id'))) as [
  string,
  string,
]
await longHistory(owner, firmId, plain, 180, today)
await longHistory(owner, firmId, long, 10_000, today)
await reckonWaiting(app, firmId)
await owner.raw('vacuum analyze')
const [technicianId] = await withFirm(app, firmId, (trx) => trx('technician').where({ role: 'owner' }).pluck('id'))
const running = await serve(root, urls.appUrl, join(work, 'data'), '127.0.0.1', await freePort())
await addAccount(app, { email: 'bench@many.example', firmId, technicianId, passwordHash: '-' })
const { token } = await openSession(app, { firmId, technicianId }, 'bench')
const ledgers = machineLedgers()

const get = async (path: string) => {
  const response = await fetch(`${running.url}${path}`, { headers: { cookie: `evenshot_session=${token}` } })
  if (!response.ok) throw new Error(`${path}: ${response.status}`)
  return response.text()
}
const timed = async (work: () => unknown) => {
  const start = performance.now()
  await work()
  return performance.now() - start
}
let n = 0
/** One reading saved, with all it reckons, and undone. */
const saved = (machineId: string) => async () => {
  n += 1
  const entry = {
    id: `01939000-0000-7000-8000-${String(n).padStart(12, '0')}`,
    ...{
      subjectKind: 'machine',
      subjectId: machineId,
      kind: 'reading',
      body: { v: 1, counter: 'shots', count: 900_000 },
    },
    ...{ happenedAt: now.toISOString(), happenedOn: today },
  }
  const write = async (trx: Knex.Transaction) => {
    const answer = await writeGroup(trx, { firmId, technicianId, role: 'owner' }, [entry], { now })
    if (!isWritten(answer)) throw new Error(`refused: ${JSON.stringify(answer)}`)
    throw new Error('undone')
  }
  await withFirm(app, firmId, write).catch((error: Error) => {
    if (error.message !== 'undone') throw error
  })
}

/** What can be asked for, by name: milliseconds or bytes of one round. */
const tasks: Record<string, () => Promise<number>> = {
  'demo world reckoned for a board, ms': () =>
    timed(() => {
      for (const one of ledgers) reckonMachine({ ...one, machine: [...one.machine!] }, { showWorking: false })
    }),
  'entry saved at 200 entries, ms': () => timed(saved(plain)),
  'entry saved at 10,000 entries, ms': () => timed(saved(long)),
  'machine page at 200 entries, ms': () => timed(() => get(`/machines/${plain}`)),
  'machine page at 10,000 entries, ms': () => timed(() => get(`/machines/${long}`)),
  'machine page at 200 entries, kB': async () => (await get(`/machines/${plain}`)).length / 1000,
  'machine page at 10,000 entries, kB': async () => (await get(`/machines/${long}`)).length / 1000,
  'its scripts, kB compressed': async () =>
    scriptBytes(join(root, 'dist/client'), await get(`/machines/${plain}`)) / 1000,
  'scripts of its entry page, kB compressed': async () =>
    scriptBytes(join(root, 'dist/client'), await get(`/machines/${plain}/entry`)) / 1000,
}

process.on('message', async (asked) => {
  if (asked === 'stop') {
    await running.stop()
    await Promise.all([owner.destroy(), app.destroy()])
    await cluster.stop()
    rmSync(work, { recursive: true, force: true })
    process.exit(0)
  }
  try {
    process.send!({ value: await tasks[String(asked)]!() })
  } catch (error) {
    process.send!({ error: String(error) })
  }
})
process.send!({ tasks: Object.keys(tasks) })
