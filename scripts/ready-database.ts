import { seedDemo } from '../src/demo/seed.ts'
import { accountByEmail, firmIds } from '../src/records/accounts.ts'
import { openDatabase } from '../src/records/database.ts'
import { now } from '../src/services/clock.ts'
import { demoSignIn } from '../src/services/demo-firm.ts'
import { type Cluster, startCluster } from './cluster.ts'
import { bringUpToDate, type DatabaseUrls, givenDatabase, privateDatabase } from './database.ts'
import { saveBefore } from './save-before.ts'

export interface ReadyDatabase {
  urls: DatabaseUrls
  /** Started here and to be stopped here; null where the database was given. */
  cluster: Cluster | null
  /** Whether the demo firm is in it. */
  demo: boolean
}

/**
 * The database as a start needs it: running, of today's shape, with the demo world where no firm is yet.
 * @param ownOnly - no demo world: somebody asked for a place of their own
 */
export async function readyDatabase(dataDir: string, ownOnly: boolean): Promise<ReadyDatabase> {
  const given = givenDatabase()
  const cluster = given ? null : await startCluster(dataDir)
  try {
    const urls = given ?? (await privateDatabase(cluster!, dataDir))
    return { urls, cluster, demo: await prepare(urls, dataDir, ownOnly) }
  } catch (error) {
    await cluster?.stop()
    throw error
  }
}

/**
 * Migrates, and makes the demo world where no firm is yet, unless somebody asked for a place of their own.
 * @returns whether the demo firm is loaded
 */
async function prepare(urls: DatabaseUrls, dataDir: string, ownOnly: boolean): Promise<boolean> {
  const steps = await bringUpToDate(urls, (steps) => saveBefore(urls.ownerUrl, dataDir, steps))
  if (steps.length > 0) console.log(`Database brought up to date: ${steps.join(', ')}`)
  const db = openDatabase(urls.appUrl, 4)
  try {
    if ((await firmIds(db)).length === 0 && !ownOnly) {
      console.log('Making the demo world, two years of it (about twenty seconds) …')
      await seedDemo(
        db,
        now(),
        (done, of) => process.stdout.isTTY && process.stdout.write(`\r  site ${done} of ${of} `),
      )
      if (process.stdout.isTTY) process.stdout.write('\n')
    }
    return (await accountByEmail(db, demoSignIn.email)) !== null
  } finally {
    await db.destroy()
  }
}
