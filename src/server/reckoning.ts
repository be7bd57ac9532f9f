import { join } from 'node:path'
import { Worker } from 'node:worker_threads'
import { log } from './log.ts'

/** Starts the thread that reckons what waits, firm by firm, until told to stop; one that breaks is started again. */
export function startReckoner(root: string, databaseUrl: string) {
  let stopping = false
  let thread: Worker
  let ended: Promise<void>
  const start = () => {
    thread = new Worker(join(root, 'dist/server/reckoner.mjs'), { workerData: { databaseUrl } })
    thread.on('message', (said: { firmId?: string; count?: number; error?: string }) => {
      if (said.error) log.error({ err: said.error }, 'the reckoner will try again')
      else log.info(said, 'reckoned what waited')
    })
    thread.on('error', (error) => log.error({ err: error }, 'the reckoner broke'))
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
      await ended
    },
  }
}
