import { connect } from 'node:net'
import { setTimeout as wait } from 'node:timers/promises'
import { log } from '../src/server/log.ts'
import { Backoff } from './backoff.ts'
import { type Cluster, startCluster } from './cluster.ts'

/** How often it is looked whether the private database is still there, ms. */
const lookedEvery = 500

/**
 * Keeps the private database: one that died is started again, on the same port where that is to be had.
 * @param moved - called when it came back elsewhere
 * @returns what ends the watch and says which cluster stands then
 */
export function keepDatabase(
  first: Cluster,
  dataDir: string,
  moved: (cluster: Cluster) => Promise<void>,
): () => Promise<Cluster> {
  const ended = new AbortController()
  let cluster = first
  const watch = async () => {
    const backoff = new Backoff()
    let wentWellSince = Date.now()
    while (!ended.signal.aborted) {
      await wait(lookedEvery, undefined, { signal: ended.signal }).catch(() => undefined)
      if (ended.signal.aborted || (await listens(cluster.port))) continue
      const pause = backoff.next(Date.now() - wentWellSince)
      log.error({ port: cluster.port, againInMs: pause }, 'the database is gone: started again')
      await wait(pause, undefined, { signal: ended.signal }).catch(() => undefined)
      if (ended.signal.aborted) break
      try {
        const before = cluster.port
        cluster = await startCluster(dataDir, before)
        wentWellSince = Date.now()
        log.info({ port: cluster.port }, 'the database is back')
        if (cluster.port !== before) await moved(cluster)
      } catch (error) {
        log.error({ err: error }, 'the database could not be started')
      }
    }
  }
  const watching = watch()
  return async () => {
    ended.abort()
    await watching
    return cluster
  }
}

/** Whether anybody takes calls at that port: cheap, and true of a database that is only slow. */
function listens(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const socket = connect({ host: '127.0.0.1', port, timeout: 5000 })
    const answer = (there: boolean) => {
      socket.destroy()
      resolve(there)
    }
    socket.once('connect', () => answer(true))
    socket.once('timeout', () => answer(true))
    socket.once('error', () => answer(false))
  })
}
