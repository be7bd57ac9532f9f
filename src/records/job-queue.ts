import PgBoss from 'pg-boss'
import { type Db, openDatabase, type Trx } from './database.ts'

/** Work that is done in the background, by name: what it is asked with. A firm's names the firm. */
export interface Jobs {
  /** Reckon what waits to be reckoned. */
  reckon: { firmId: string }
  /** Take out what the firm keeps no longer. */
  tidy: { firmId: string }
  /** Write the lists that wait, and take back those that go back. */
  'bring-in': { firmId: string }
  /** Hand over the letters that wait. */
  'send-letters': { firmId: string }
  /** Plan the visits of the weeks ahead. */
  plan: { firmId: string; part: string }
  /** Look in every firm for something that waits, whoever forgot to ask. */
  'look-round': Record<string, never>
  /** Ask every firm's `tidy`. */
  nightly: Record<string, never>
  /** Back up the whole installation. */
  backup: Record<string, never>
}
export type JobName = keyof Jobs
export type FirmJob = { [N in JobName]: Jobs[N] extends { firmId: string } ? N : never }[JobName]

const schema = 'job_queue'
/** Where a job goes that failed as often as it may: an owner sees it there. */
const failedQueue = 'failed'
/** The library's own, for what is asked by the clock. */
const clockQueue = '__pgboss__send-it'

/** One of each waits at a time: who asks again while it waits has asked already. */
const usual = { policy: 'short', retryDelay: 5, retryBackoff: true, deadLetter: failedQueue } as const
const queues: Record<JobName, Omit<PgBoss.Queue, 'name'>> = {
  reckon: { ...usual, retryLimit: 5, expireInHours: 2 },
  tidy: { ...usual, retryLimit: 5, expireInMinutes: 30 },
  'bring-in': { ...usual, retryLimit: 5, expireInHours: 2 },
  'send-letters': { ...usual, retryLimit: 5, expireInMinutes: 30 },
  plan: { ...usual, retryLimit: 2, expireInMinutes: 5 },
  'look-round': { ...usual, retryLimit: 1, expireInMinutes: 5 },
  nightly: { ...usual, retryLimit: 5, expireInMinutes: 5 },
  backup: { ...usual, retryLimit: 1, retryDelay: 600, expireInHours: 6 },
}

/** Makes or brings up to date the queue's tables, as the database's owner. However often, with the same outcome. */
export async function readyJobQueue(ownerUrl: string, appRole: string): Promise<void> {
  const boss = new PgBoss({ connectionString: ownerUrl, schema, max: 1, supervise: false, schedule: false })
  // What goes wrong is thrown where it was asked.
  boss.on('error', () => undefined)
  await boss.start()
  try {
    await boss.createQueue(failedQueue, { name: failedQueue, retryLimit: 0, retentionDays: 90 })
    await boss.createQueue(clockQueue)
    for (const [name, options] of Object.entries(queues)) {
      await boss.createQueue(name, { name, ...options })
      await boss.updateQueue(name, { name, ...options })
    }
  } finally {
    await boss.stop({ graceful: false })
  }
  const owner = openDatabase(ownerUrl, 1)
  try {
    await owner.raw(`grant usage on schema ${schema} to ??`, [appRole])
    await owner.raw(`grant select, insert, update, delete on all tables in schema ${schema} to ??`, [appRole])
  } finally {
    await owner.destroy()
  }
}

/** Never started: it only puts words to what is asked through somebody's own transaction. */
const asking = new PgBoss({ schema, db: { executeSql: () => Promise.reject(new Error('ask inside a transaction')) } })

/** Asks for work in the caller's transaction: it is asked for if what else is written there is. */
export async function ask<N extends JobName>(trx: Trx, name: N, data: Jobs[N]): Promise<void> {
  const singletonKey = Object.values(data).join(' ') || undefined
  await asking.send(name, { ...data, what: name }, { ...(singletonKey && { singletonKey }), db: through(trx) })
}

const through = (trx: Trx): PgBoss.Db => ({
  async executeSql(text, values) {
    const connection = await trx.client.acquireConnection()
    return connection.query(text, values)
  },
})

/** A job that failed as often as it may. */
export interface FailedJob {
  id: string
  what: FirmJob
  failedAt: string
  /** What it said at last. */
  why: string
}

/** A firm's failed jobs, the latest first. */
export async function failedJobs(trx: Trx, firmId: string): Promise<FailedJob[]> {
  const rows = await trx
    .withSchema(schema)
    .from('job')
    .where({ name: failedQueue })
    .whereRaw(`data ->> 'firmId' = ?`, [firmId])
    .orderBy('created_on', 'desc')
    .limit(50)
    .select('id', 'data', 'created_on', 'output')
  return rows.map(({ id, data, created_on: at, output }) => ({
    id,
    what: data.what,
    failedAt: at.toISOString(),
    why: String(output?.message ?? output?.value?.message ?? 'it did not say why').slice(0, 500),
  }))
}

/** Takes a failed job off the list. @returns what it was; null where this firm has none of that id */
export async function takeFailed(trx: Trx, firmId: string, id: string): Promise<FirmJob | null> {
  const [row] = await trx
    .withSchema(schema)
    .from('job')
    .where({ name: failedQueue, id })
    .whereRaw(`data ->> 'firmId' = ?`, [firmId])
    .delete()
    .returning('data')
  return row?.data.what ?? null
}

/** How many jobs of firms failed as often as they may; what came of backups is said elsewhere. */
export async function countFailed(db: Db): Promise<number> {
  const failed = db
    .withSchema(schema)
    .from('job')
    .where({ name: failedQueue })
    .whereRaw(`data ->> 'firmId' is not null`)
  const row = await failed.count({ n: '*' }).first()
  return Number((row as { n?: number } | undefined)?.n ?? 0)
}

export type Handlers = { [N in JobName]: (data: Jobs[N]) => Promise<void> }

/** How often a worker looks for something to do, s. */
const everyS = 1

/**
 * Works on whatever is asked, beside however many others do. What throws is tried again, later each time, and is
 * laid before an owner at last.
 *
 * @param byClock - what is asked by the clock: five fields of cron, in the zone given
 * @returns what stops it: jobs under way are given a few seconds and else begun anew by whoever works next
 */
export async function workOn(
  databaseUrl: string,
  handlers: Handlers,
  byClock: Partial<Record<JobName, { cron: string; timeZone: string }>>,
  onError: (error: Error) => void,
): Promise<() => Promise<void>> {
  const boss = new PgBoss({ connectionString: databaseUrl, schema, max: 2, migrate: false })
  boss.on('error', onError)
  await boss.start()
  for (const name of Object.keys(queues) as JobName[]) {
    const clock = byClock[name]
    if (clock) await boss.schedule(name, clock.cron, { what: name }, { tz: clock.timeZone })
    else await boss.unschedule(name)
    await boss.work<Jobs[JobName]>(name, { pollingIntervalSeconds: everyS }, async ([job]) => {
      if (job) await (handlers[name] as (data: Jobs[JobName]) => Promise<void>)(job.data)
    })
  }
  return () => boss.stop({ graceful: true, timeout: 5000 })
}
