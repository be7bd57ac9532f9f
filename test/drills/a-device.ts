import 'fake-indexeddb/auto'
import { parentPort, workerData } from 'node:worker_threads'
import type { Entry } from '../../src/core/ledger/entry.ts'
import { deviceDatabase } from '../../src/device/database.ts'
import { sendUnsent } from '../../src/device/send-unsent.ts'
import { allUnsent, putUnsent } from '../../src/device/unsent.ts'
import { putPhoto } from '../../src/device/waiting-photos.ts'

// One device in a thread of its own: a store like a browser’s, and a line that breaks as it is told.

/** What befalls a request: it never leaves, it arrives and its answer is lost, the page is killed while it waits. */
export type LineFault = 'none' | 'unreachable' | 'answer lost' | 'killed before' | 'killed after'

export type Told =
  | { do: 'reset' }
  | { do: 'write'; entries: Entry[]; image: string | null }
  | { do: 'send'; faults: LineFault[]; tabs: number }
  | { do: 'look' }
  | { do: 'left' }

const { url, headers, by } = workerData as { url: string; headers: Record<string, string>; by: string }
console.info = () => undefined

/** Locks as a browser has them: those of a page that is killed are let go, and what it had begun goes on no more. */
class Locks {
  private last: Promise<unknown> = Promise.resolve()
  private letGo: () => void = () => undefined

  request<T>(_name: string, work: () => Promise<T>): Promise<T> {
    const mine = this.last.then(
      () =>
        new Promise<T | undefined>((done, fail) => {
          this.letGo = () => done(undefined)
          work().then(done, fail)
        }),
    )
    this.last = mine.catch(() => undefined)
    return mine as Promise<T>
  }

  kill(): void {
    this.letGo()
  }
}
const locks = new Locks()
Object.defineProperty(globalThis, 'navigator', { value: { locks }, configurable: true })

let faults: LineFault[] = []
/** The server's clock before this one, ms, and how far this device knows the ledger. */
let aheadMs = 0
let knownSeq = 0
const never = () => new Promise<never>(() => undefined)

const ask = (async (path: string, init: RequestInit) => {
  const fault = faults.shift() ?? 'none'
  if (fault === 'unreachable') throw new TypeError('Failed to fetch')
  if (fault === 'killed before') {
    locks.kill()
    return never()
  }
  const response = await fetch(url + path, { ...init, headers: { ...(init.headers as object), ...headers } })
  const body = await response.arrayBuffer()
  if (fault === 'answer lost') throw new TypeError('Failed to fetch')
  if (fault === 'killed after') {
    locks.kill()
    return never()
  }
  return new Response(body, { status: response.status, headers: { 'content-type': 'application/json' } })
}) as typeof fetch

/** Somebody opens a page on the line: what is in the ledger is known here from then on. @returns how far that is */
async function catchUp(): Promise<number> {
  const { seq } = (await (await ask('/api/packing-list', {})).json()) as { seq: number }
  knownSeq = seq
  return knownSeq
}

async function obey(told: Told): Promise<unknown> {
  if (told.do === 'reset') {
    const db = await deviceDatabase()
    await Promise.all([db.clear('unsent'), db.clear('photo')])
    const { now } = (await (await ask('/api/clock', {})).json()) as { now: string }
    aheadMs = Date.parse(now) - Date.now()
    return catchUp()
  }
  if (told.do === 'write') {
    const { entries, image } = told
    const named = image
      ? entries.map((entry) =>
          entry.kind === 'pictured' ? { ...entry, body: { ...entry.body, photos: ['waits'] } } : entry,
        )
      : entries
    const ref = image ? await putPhoto(image, Date.now()) : null
    const written = JSON.parse(JSON.stringify(named).replaceAll('"waits"', JSON.stringify(ref))) as Entry[]
    await putUnsent(written, { by, knownSeq, now: Date.now(), saidAt: Date.now() + aheadMs })
    return knownSeq
  }
  // Where nobody answers at this moment, no more is known than before.
  if (told.do === 'look') return catchUp().catch(() => knownSeq)
  if (told.do === 'send') {
    faults = [...told.faults]
    const tabs = Array.from({ length: told.tabs }, () => sendUnsent({ by, now: Date.now(), atOnce: true, ask }))
    const came = await Promise.all(tabs)
    faults = []
    return came.map((sending) => sending?.stopped ?? null)
  }
  return (await allUnsent()).map(({ state, issues }) => ({ state, issues }))
}

parentPort!.on('message', async ({ n, told }: { n: number; told: Told }) => {
  try {
    parentPort!.postMessage({ n, answer: await obey(told) })
  } catch (error) {
    parentPort!.postMessage({ n, wrong: String((error as Error).stack) })
  }
})
