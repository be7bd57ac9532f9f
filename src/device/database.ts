import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Preferences } from '../core/firm/preferences.ts'
import type { Issue } from '../core/parse/parse-strict.ts'
import type { Enciphered } from './cipher.ts'

/** Something kept on this device: what it is, of what (a machine's id, mostly), and in which version's shape. */
export interface KeptItem {
  shelf: string
  of: string
  version: number
  /** Enciphered where the browser can; a version of before kept it as it is. */
  value: unknown
  /** Milliseconds since 1970. */
  keptAt: number
}

/** The answer of an address, kept for when there is no network. */
export interface PackedItem {
  /** Path and question, as it is asked for. */
  address: string
  answer: Enciphered
  /** By which the server knows whether it is still so. */
  etag: string | null
  /** Milliseconds since 1970. */
  packedAt: number
  usedAt: number
  /** Of what is stored. */
  bytes: number
  /** How far the firm's ledger went then. */
  seq: number
  /** What it was packed for: what is asked for least goes first where there is no room. */
  why: PackedWhy
}
/** For a day that is planned, kept by hand, opened lately, or the frame of all that. */
export type PackedWhy = 'day' | 'by-hand' | 'opened' | 'frame'

/** One save that has not reached the ledger yet. */
export interface UnsentItem {
  /** In which it was written on this device, whatever its clock said. */
  order?: number
  /** Whoever was signed in: nobody else sends it. */
  by: string
  entries: Enciphered
  /** Of its entries, as they stand in the clear: by these a view knows that it is meant. */
  entryIds: string[]
  subjectIds: string[]
  visitIds: string[]
  /** How far the ledger was known when it was written. */
  knownSeq: number | null
  origin: string | null
  bytes: number
  /** By the clock of this device. */
  madeAt: number
  /** What time it was then, as the page believed, ms since 1970. */
  saidAt: number
  /** Its times lie so far off the server's clock, ms, and somebody is asked; null where nothing is off or somebody said. */
  clockOffMs: number | null
  /** Somebody said which of the times is right. */
  clockSaid?: true
  tries: number
  /** Not before: a server that is down is not asked by everybody at once. */
  nextAt: number
  state: 'waits' | 'refused'
  /** Why it was refused, entry by entry. */
  issues: (Issue & { entryId: string })[]
}

/** A photo that was taken here and has not been sent, or was sent a moment ago. */
export interface PhotoItem {
  /** The digest of what it holds, as it lies here. */
  ref: string
  image: Enciphered
  /** The server's name for it, once it is there. */
  name: string | null
  bytes: number
  madeAt: number
}

/** Who works on this device, and how its clock stands to the server's. */
export interface AboutDevice {
  technician: { id: string; name: string; initials: string }
  firm: { id: string; name: string; timeZone: string; preferences: Preferences }
  /** The server's clock before this device's, ms. */
  aheadMs: number
  /** When all of the packing list was here, ms since 1970. */
  packedAt: number | null
  /** The firm's cursor then. */
  seq: number
}

interface Kept extends DBSchema {
  kept: { key: [shelf: string, of: string]; value: KeptItem }
  /** What this version cannot read, or was gone on without: nobody's work is thrown away unasked. */
  aside: { key: number; value: KeptItem & { why: string } }
  packed: { key: string; value: PackedItem }
  unsent: { key: number; value: UnsentItem }
  photo: { key: string; value: PhotoItem }
  about: { key: 'device'; value: AboutDevice }
  /** It cannot be taken out of this browser; without it nothing here can be read. */
  key: { key: 'device' | 'drafts'; value: CryptoKey }
}

let opened: Promise<IDBPDatabase<Kept>> | null = null

/** A browser that does not open its store by then will not: nobody waits for it at a counter. */
const openWithinMs = 5000

/** The device's one database. @throws where the browser keeps none: private windows, a full or forbidden store */
export function deviceDatabase(): Promise<IDBPDatabase<Kept>> {
  opened ??= inTime(
    openDB<Kept>('evenshot', 2, {
      upgrade(db, before) {
        if (before < 1) {
          db.createObjectStore('kept', { keyPath: ['shelf', 'of'] })
          db.createObjectStore('aside', { autoIncrement: true })
        }
        db.createObjectStore('packed', { keyPath: 'address' })
        db.createObjectStore('unsent', { keyPath: 'order', autoIncrement: true })
        db.createObjectStore('photo', { keyPath: 'ref' })
        db.createObjectStore('about')
        db.createObjectStore('key')
      },
      // Another tab asks for a later version: this one lets go and opens it anew when it is asked again.
      blocking(_current, _wanted, event) {
        ;(event.target as IDBDatabase).close()
        opened = null
      },
      terminated() {
        opened = null
      },
    }),
  ).catch((error) => {
    opened = null
    throw error
  })
  return opened
}

function inTime<T>(opening: Promise<T>): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('the browser does not open its store')), openWithinMs)
  })
  return Promise.race([opening, late]).finally(() => clearTimeout(timer))
}

/** Moves what is kept out of the way, with the reason; it is there for whoever looks for it. */
export async function setAside(item: KeptItem, why: string): Promise<void> {
  const transaction = (await deviceDatabase()).transaction(['kept', 'aside'], 'readwrite')
  await Promise.all([
    transaction.objectStore('aside').add({ ...item, why }),
    transaction.objectStore('kept').delete([item.shelf, item.of]),
    transaction.done,
  ])
}
