import { mkdirSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { serve } from '../src/server/serve.ts'
import { demoSignIn } from '../src/services/demo-firm.ts'
import { buildIfNeeded } from './build.ts'
import type { Cluster } from './cluster.ts'
import { locked, root } from './install.mjs'
import { backUpNightly, backupTime } from './nightly.ts'
import { readyDatabase } from './ready-database.ts'
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
  const { urls, cluster, demo } = await readyDatabase(dataDir, ownOnly)
  held.cluster = cluster
  buildIfNeeded()
  const backupAt = backupTime()
  const running = await listenOnAFreePort(urls.appUrl)
  const stopBackups = backupAt ? backUpNightly(backupAt) : () => undefined
  writeFileSync(runningFile(dataDir), JSON.stringify({ pid: process.pid, url: running.url }))
  console.log(`\n  Even Shot is at ${running.url}`)
  if (demo) console.log(`  Sign in with ${demoSignIn.email} and the password ${demoSignIn.password}`)
  console.log('  Ctrl C stops it.\n')

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    stopBackups()
    await running.stop()
    held.cluster?.stop()
    rmSync(runningFile(dataDir), { force: true })
    process.exit(0)
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
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
