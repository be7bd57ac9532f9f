import cluster, { type Worker } from 'node:cluster'
import { createServer } from 'node:net'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { log } from '../src/server/log.ts'
import type { PhonesDoor } from '../src/server/phones-door.ts'
import { Backoff } from './backoff.ts'

/** What every serving process is told. */
export interface ServerSettings {
  /** The project's folder, with `dist` in it. */
  root: string
  databaseUrl: string
  dataDir: string
  host: string
  port: number
  /** Where phones come in, where they do. */
  phones?: PhonesDoor
}

export interface KeptServers {
  /** Serves from another database from now on: each process once it has finished what it answers. */
  moveTo(databaseUrl: string): void
  stop(): Promise<void>
}

/** Asked this often whether it still turns; not heard of for so long it is ended and started again, ms. */
const askedEvery = 5_000
const silentFor = 45_000
/** How long a process may take to finish what it answers before it is ended. */
const finishesWithin = 12_000

/** How many processes serve: as many as there are cores, unless it is said. */
export function serverCount(said = process.env.EVENSHOT_SERVERS): number {
  if (!said) return Math.min(4, availableParallelism())
  const count = Number(said)
  if (!Number.isInteger(count) || count < 1 || count > 16)
    throw new Error(`EVENSHOT_SERVERS is how many processes serve, 1 to 16: ${JSON.stringify(said)}`)
  return count
}

/**
 * Starts the serving processes on one port and keeps them: one that ends, or does not turn any more, is started again.
 * @throws Error when the first of them does not start
 */
export async function keepServers(settings: ServerSettings, count: number): Promise<KeptServers> {
  // Each takes its callers from the kernel itself: handed over by this process, one would be lost with whom it went to.
  cluster.schedulingPolicy = cluster.SCHED_NONE
  cluster.setupPrimary({ exec: join(settings.root, 'dist/server/serve-child.mjs'), args: [], execArgv: [] })
  let databaseUrl = settings.databaseUrl
  let stopping = false
  const slots = Array.from({ length: count }, () => keepOne())

  function keepOne() {
    const backoff = new Backoff()
    const slot: { worker: Worker | null; first: Promise<void> } = { worker: null, first: Promise.resolve() }
    const start = (): Promise<void> => {
      const began = Date.now()
      const worker = cluster.fork({ EVENSHOT_SERVE: JSON.stringify({ ...settings, databaseUrl }) })
      slot.worker = worker
      let heard = Date.now()
      const asking = setInterval(() => {
        if (Date.now() - heard > silentFor) {
          log.error({ pid: worker.process.pid }, 'a serving process does not turn any more: ended')
          worker.process.kill('SIGKILL')
        } else if (worker.isConnected()) worker.send('turning?')
      }, askedEvery)
      asking.unref()
      return new Promise((resolve, reject) => {
        worker.on('message', (said: { ready?: true; failed?: string }) => {
          heard = Date.now()
          if (said.ready) resolve()
          if (said.failed) reject(new Error(said.failed))
        })
        worker.once('exit', (code, signal) => {
          clearInterval(asking)
          reject(new Error('A serving process ended before it served.'))
          if (stopping) return
          const pause = backoff.next(Date.now() - began)
          log.error({ pid: worker.process.pid, code, signal, againInMs: pause }, 'a serving process ended')
          setTimeout(() => !stopping && void start().catch(() => undefined), pause)
        })
      })
    }
    slot.first = start()
    return slot
  }

  try {
    await Promise.all(slots.map(({ first }) => first))
  } catch (error) {
    stopping = true
    for (const { worker } of slots) worker?.process.kill('SIGKILL')
    throw error
  }
  return {
    moveTo(url) {
      databaseUrl = url
      for (const { worker } of slots) if (worker?.isConnected()) worker.send('stop')
    },
    async stop() {
      stopping = true
      await Promise.all(slots.map(({ worker }) => worker && ended(worker)))
    },
  }
}

async function ended(worker: Worker): Promise<void> {
  if (worker.isDead()) return
  const gone = new Promise<void>((resolve) => worker.once('exit', () => resolve()))
  if (worker.isConnected()) worker.send('stop')
  const late = new AbortController()
  void wait(finishesWithin, undefined, { signal: late.signal })
    .then(() => worker.process.kill('SIGKILL'))
    .catch(() => undefined)
  await gone
  late.abort()
}

/** The wanted port, or the next that is free on this host. */
export async function freePortFrom(host: string, wanted: number): Promise<number> {
  for (let port = wanted; ; port += 1) {
    try {
      await new Promise<void>((resolve, reject) => {
        const probe = createServer()
        probe.once('error', reject)
        probe.listen(port, host, () => probe.close(() => resolve()))
      })
      return port
    } catch (error) {
      if ((error as { code?: string }).code !== 'EADDRINUSE' || port > wanted + 50) throw error
    }
  }
}
