import { mkdirSync } from 'node:fs'
import { join } from 'node:path'
import { startWorker } from '../src/server/keep-worker.ts'
import { demoSignIn } from '../src/services/demo-firm.ts'
import { wrongPostOffice } from '../src/services/letters/post-office.ts'
import { backupTime } from './backup-time.ts'
import { buildIfNeeded } from './build.ts'
import type { Cluster } from './cluster.ts'
import { privateDatabase } from './database.ts'
import { locked, root } from './install.mjs'
import { keepDatabase } from './keep-database.ts'
import { freePortFrom, keepServers, serverCount } from './keep-servers.ts'
import { askedPhones, phonesDoor, phonesWords } from './phones.ts'
import { readyDatabase } from './ready-database.ts'
import { isRunning, sayRunning, type There } from './running.ts'

const dataDir = process.env.EVENSHOT_DATA ?? join(root, 'data')
const host = process.env.EVENSHOT_HOST ?? '127.0.0.1'
const wantedPort = Number(process.env.EVENSHOT_PORT ?? 4870)

/** `npm start -- --own`: no demo world, the first page starts a firm. */
const ownOnly = process.argv.includes('--own')
/** `npm start -- --phones`: phones of the workshop's network come in over TLS. */
const asked = askedPhones(process.argv)

// This process serves nothing itself. It keeps those that do, the database and who works in the background: what dies is started again.
const held: { cluster: Cluster | null } = { cluster: null }
try {
  await locked('start', start)
} catch (error) {
  console.error((error as Error).message)
  await held.cluster?.stop()
  process.exit(1)
}

async function start(): Promise<void> {
  mkdirSync(dataDir, { recursive: true })
  const there = await isRunning(dataDir)
  if (there) return sayThere(there)
  const count = serverCount()
  const backupAt = backupTime()
  const wrongMail = wrongPostOffice(process.env)
  if (wrongMail) throw new Error(wrongMail)
  const { urls, cluster, demo } = await readyDatabase(dataDir, ownOnly)
  held.cluster = cluster
  buildIfNeeded()
  const port = await freePortFrom(host, wantedPort)
  if (asked !== null && process.env.EVENSHOT_ORIGIN)
    throw new Error('--phones serves TLS by itself, EVENSHOT_ORIGIN says that a proxy does: one of the two.')
  const phones = asked === null ? undefined : await phonesDoor(dataDir, asked, port)
  // Links lead where phones come in, and cookies go over TLS alone.
  if (phones) process.env.EVENSHOT_ORIGIN = `https://${phones.host}:${phones.port}`
  const settings = { root, databaseUrl: urls.appUrl, dataDir, host, port, ...(phones && { phones }) }
  const servers = await keepServers(settings, count)
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions()
  const task = { root, backupAt, timeZone }
  let worker = startWorker({ ...task, databaseUrl: urls.appUrl })
  const watched = cluster && keepDatabase(cluster, dataDir, moveTo)
  const url = `http://${host.includes(':') ? `[${host}]` : host}:${port}`
  const takeBack = sayRunning(dataDir, url)
  console.log(`\n  Even Shot is at ${process.env.EVENSHOT_ORIGIN ?? url}`)
  if (demo) console.log(`  Sign in with ${demoSignIn.email} and the password ${demoSignIn.password}`)
  if (phones) console.log(`\n${await phonesWords(phones)}`)
  console.log('  Ctrl C stops it.\n')

  /** The database came back at another port: those who ask it are sent there. */
  async function moveTo(to: Cluster): Promise<void> {
    const { appUrl } = await privateDatabase(to, dataDir)
    servers.moveTo(appUrl)
    const before = worker
    worker = startWorker({ ...task, databaseUrl: appUrl })
    await before.stop()
  }

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    const standing = await watched?.()
    await Promise.all([servers.stop(), worker.stop()])
    await standing?.stop()
    takeBack()
    process.exit(0)
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
}

/** Never a second one beside the first: it is said where it is, or what is wrong with it. */
function sayThere({ pid, url, answers }: There): void {
  if (answers) {
    console.log(`Even Shot is running already: ${url}`)
    return
  }
  process.exitCode = 1
  console.error(
    `Even Shot is running already (process ${pid}, ${url}), but its database does not answer. Its log says why. To start it anew, end it first: kill ${pid}`,
  )
}
