import { type DBSchema, type IDBPDatabase, openDB } from 'idb'

/** Something kept on this device: what it is, of what (a machine's id, mostly), and in which version's shape. */
export interface KeptItem {
  shelf: string
  of: string
  version: number
  value: unknown
  /** Milliseconds since 1970. */
  keptAt: number
}

interface Kept extends DBSchema {
  kept: { key: [shelf: string, of: string]; value: KeptItem }
  /** What this version cannot read, or was gone on without: nobody's work is thrown away unasked. */
  aside: { key: number; value: KeptItem & { why: string } }
}

let opened: Promise<IDBPDatabase<Kept>> | null = null

/** A browser that does not open its store by then will not: nobody waits for it at a counter. */
const openWithinMs = 5000

/** The device's one database. @throws where the browser keeps none: private windows, a full or forbidden store */
export function deviceDatabase(): Promise<IDBPDatabase<Kept>> {
  opened ??= inTime(
    openDB<Kept>('evenshot', 1, {
      upgrade(db) {
        db.createObjectStore('kept', { keyPath: ['shelf', 'of'] })
        db.createObjectStore('aside', { autoIncrement: true })
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
