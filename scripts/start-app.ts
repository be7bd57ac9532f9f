import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { seedDemo } from '../src/demo/seed.ts'
import { accountByEmail, firmIds } from '../src/records/accounts.ts'
import { openDatabase } from '../src/records/database.ts'
import { serve } from '../src/server/serve.ts'
import { now } from '../src/services/clock.ts'
import { demoSignIn } from '../src/services/demo-firm.ts'
import { buildIfNeeded } from './build.ts'
import { type Cluster, startCluster } from './cluster.ts'
import { backupFolder, bringUpToDate, type DatabaseUrls, givenDatabase, privateDatabase } from './database.ts'
import { makeBackup } from './dump.ts'
import { locked, root } from './install.mjs'
import { isRunning, runningFile } from './running.ts'

const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const host = process.env.EVENSHOT_HOST ?? '127.0.0.1'
const port = Number(process.env.EVENSHOT_PORT ?? 4870)

/** `npm start -- --own`: no demo world, the first page starts a firm. */
const ownOnly = process.argv.includes('--own')

const held: { cluster: Cluster | null } = { cluster: null }
try {
  await locked('start', start)
} catch (error) {
  console.error((error as Error).message)
  held.cluster?.stop()
  process.exit(1)
}

async function start(): Promise<void> {
  mkdirSync(dataDir, { recursive: true })
  const there = await isRunning(dataDir)
  if (there) {
    console.log(`Even Shot is running already: ${there}`)
    return
  }
  const urls = await database()
  const demo = await prepare(urls)
  buildIfNeeded()
  const running = await listenOnAFreePort(urls.appUrl)
  writeFileSync(runningFile(dataDir), JSON.stringify({ pid: process.pid, url: running.url }))
  console.log(`\n  Even Shot is at ${running.url}`)
  if (demo) console.log(`  Sign in with ${demoSignIn.email} and the password ${demoSignIn.password}`)
  console.log('  Ctrl C stops it.\n')

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    await running.stop()
    held.cluster?.stop()
    rmSync(runningFile(dataDir), { force: true })
    process.exit(0)
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
}

async function database(): Promise<DatabaseUrls> {
  const given = givenDatabase()
  if (given) return given
  held.cluster = await startCluster(dataDir)
  return privateDatabase(held.cluster, dataDir)
}

/**
 * Migrates, and makes the demo world where no firm is yet, unless somebody asked for a place of their own.
 * @returns whether the demo firm is loaded
 */
async function prepare(urls: DatabaseUrls): Promise<boolean> {
  const steps = await bringUpToDate(urls, () => saveBefore(urls))
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

/** A database with data in it changes its shape only after a backup: going back is restoring it. */
async function saveBefore(urls: DatabaseUrls): Promise<void> {
  const now = new Date()
  const folder = backupFolder(dataDir, now)
  console.log(`A backup before the database is brought up to date: ${folder}`)
  await makeBackup(urls.ownerUrl, join(dataDir, 'files'), folder, now)
}

/** The usual port, or the next that is free. */
async function listenOnAFreePort(appUrl: string) {
  for (let candidate = port; ; candidate += 1) {
    try {
      return await serve(root, appUrl, dataDir, host, candidate)
    } catch (error) {
      if ((error as { code?: string }).code !== 'EADDRINUSE' || candidate > port + 50) throw error
    }
  }
}
