import { join } from 'node:path'
import { setTimeout as wait } from 'node:timers/promises'
import { Worker } from 'node:worker_threads'
import { log } from './log.ts'

export interface WorkerTask {
  root: string
  databaseUrl: string
  /** When every night the installation is backed up; null where it is not. */
  backupAt: { hour: number; minute: number } | null
  /** By which clock nights are told. */
  timeZone: string
}

/** How long it may take to lay down what it is at; what is cut off there is a job that comes again, ms. */
const laysDownWithin = 10_000

export type WorkerSaid = { firmId: string; count: number } | { backup: string } | { error: string }

/**
 * Starts the thread that works in the background, beside however many others do on the same database, until told to
 * stop; one that breaks is started again.
 */
export function startWorker(task: WorkerTask) {
  let stopping = false
  let thread: Worker
  let ended: Promise<void>
  const start = () => {
    thread = new Worker(join(task.root, 'dist/server/worker.mjs'), { workerData: task })
    thread.on('message', (said: WorkerSaid) => {
      if ('error' in said) log.error({ err: said.error }, 'background work goes on')
      else if ('count' in said) log.info(said, 'reckoned what waited')
      else log.info({ said: said.backup }, 'the nightly backup is made')
    })
    thread.on('error', (error) => log.error({ err: error }, 'the worker broke'))
    ended = new Promise((resolve) => thread.once('exit', () => resolve()))
    void ended.then(() => {
      if (!stopping) setTimeout(() => !stopping && start(), 5000).unref()
    })
  }
  start()
  return {
    async stop() {
      stopping = true
      thread.postMessage('stop')
      const late = new AbortController()
      void wait(laysDownWithin, undefined, { signal: late.signal })
        .then(() => thread.terminate())
        .catch(() => undefined)
      await ended
      late.abort()
    },
  }
}
