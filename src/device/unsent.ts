import type { Entry } from '../core/ledger/entry.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import { decipher, encipher } from './cipher.ts'
import { deviceDatabase, type UnsentItem } from './database.ts'
import { deviceKey } from './device-key.ts'
import { drawnPages } from './packed.ts'

/** One save that has not reached the ledger, opened. */
export interface Unsent extends Omit<UnsentItem, 'entries' | 'order'> {
  order: number
  entries: Entry[]
}

interface Given {
  /** Whoever is signed in. */
  by: string
  /** How far the ledger was known; null where nobody asked whether others wrote. */
  knownSeq: number | null
  origin?: string | undefined
  now: number
  /** What time it is as the page believes, ms; the device's own clock where nobody knows better. */
  saidAt?: number
}

/** Puts a save where it waits to be sent. @returns its place in the order. @throws where nothing can be kept */
export async function putUnsent(entries: Entry[], { by, knownSeq, origin, now, saidAt = now }: Given): Promise<number> {
  const enciphered = await encipher(await deviceKey(), entries)
  const distinct = (ids: (string | undefined)[]) => [...new Set(ids.flatMap((id) => id ?? []))]
  const item: UnsentItem = {
    by,
    entries: enciphered,
    entryIds: entries.map(({ id }) => id),
    subjectIds: distinct(entries.map(({ subjectId }) => subjectId)),
    visitIds: distinct(entries.map(({ visitId }) => visitId)),
    knownSeq,
    origin: origin ?? null,
    bytes: enciphered.bytes.length,
    madeAt: now,
    saidAt,
    clockOffMs: null,
    tries: 0,
    nextAt: 0,
    state: 'waits',
    issues: [],
  }
  const transaction = (await deviceDatabase()).transaction(['unsent', 'packed'], 'readwrite')
  const [order] = await Promise.all([
    transaction.objectStore('unsent').add(item),
    // Something was written: no page looks any more as it was drawn.
    transaction.objectStore('packed').delete(drawnPages()),
    transaction.done,
  ])
  return order
}

/** All that has not reached the ledger, in the order it was written. Empty where nothing can be kept. */
export async function allUnsent(): Promise<Unsent[]> {
  const db = await deviceDatabase().catch(() => null)
  const items = db ? await db.getAll('unsent') : []
  if (items.length === 0) return []
  const key = await deviceKey()
  return Promise.all(
    items.map(async ({ entries, ...item }) => ({
      ...item,
      order: item.order!,
      entries: (await decipher(key, entries)) as Entry[],
    })),
  )
}

/** How many wait, and whether one was refused: asked often, nothing is opened for it. */
export async function countUnsent(): Promise<{ entries: number; refused: number; bytes: number }> {
  const db = await deviceDatabase().catch(() => null)
  const items = db ? await db.getAll('unsent') : []
  return {
    entries: items.reduce((sum, { entryIds }) => sum + entryIds.length, 0),
    refused: items.filter(({ state }) => state === 'refused').length,
    bytes: items.reduce((sum, { bytes }) => sum + bytes, 0),
  }
}

/** They are in the ledger, or somebody gave them up. */
export async function dropUnsent(orders: number[]): Promise<void> {
  const transaction = (await deviceDatabase()).transaction('unsent', 'readwrite')
  await Promise.all([...orders.map((order) => transaction.store.delete(order)), transaction.done])
}

/** What is known of a save that still waits, anew. */
export async function changeUnsent(
  orders: number[],
  change: (item: UnsentItem) => Partial<Omit<UnsentItem, 'order'>>,
): Promise<void> {
  const transaction = (await deviceDatabase()).transaction('unsent', 'readwrite')
  for (const order of orders) {
    const item = await transaction.store.get(order)
    if (item) await transaction.store.put({ ...item, ...change(item) })
  }
  await transaction.done
}

/** Why a save was refused, with the entry it is about. */
export type UnsentIssue = Issue & { entryId: string }
