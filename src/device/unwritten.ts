import type { KeptItem } from './database.ts'

// A page that goes while the store is still writing takes what was just typed with it: until the store says that a
// thing is in it, the thing is held here, and what is still held when the page goes is put where it is written at once.
const place = 'evenshot-unwritten'
/** By shelf and thing; a null value is one that was dropped. */
const held = new Map<string, KeptItem>()

const keyOf = ({ shelf, of }: Pick<KeptItem, 'shelf' | 'of'>) => JSON.stringify([shelf, of])

/** Holds a thing until `write` has put it into the store. */
export async function heldUntil(item: KeptItem, write: () => Promise<unknown>): Promise<void> {
  const key = keyOf(item)
  held.set(key, item)
  try {
    await write()
  } finally {
    // A later one of the same may be on its way.
    if (held.get(key) === item) held.delete(key)
  }
}

/** Whether nothing later of the same was written or dropped since. */
export const isHeld = (item: KeptItem): boolean => held.get(keyOf(item)) === item

/** Puts what is held where the next page finds it. */
export function saveHeld(): void {
  if (held.size === 0) return
  try {
    const later = [...lastHeld(), ...held.values()]
    globalThis.localStorage?.setItem(place, JSON.stringify(later))
  } catch (error) {
    console.info('What was not written yet cannot be kept either', error)
  }
}

/** What the last page could not write any more, if it wrote nothing of it later; it is handed out once. */
export function takeUnwritten(shelf: string, of: string): KeptItem | null {
  const all = lastHeld()
  const mine = all.findLast((item) => item.shelf === shelf && item.of === of)
  if (!mine) return null
  const rest = all.filter((item) => item.shelf !== shelf || item.of !== of)
  if (rest.length > 0) globalThis.localStorage?.setItem(place, JSON.stringify(rest))
  else globalThis.localStorage?.removeItem(place)
  return mine
}

/** What the last page could not write any more of some things, on every shelf; it is handed out once. */
export function takeUnwrittenOf(of: string[]): KeptItem[] {
  const mine = lastHeld().filter((item) => of.includes(item.of))
  return mine.flatMap(({ shelf, of }) => takeUnwritten(shelf, of) ?? [])
}

function lastHeld(): KeptItem[] {
  try {
    const read: unknown = JSON.parse(globalThis.localStorage?.getItem(place) ?? '[]')
    return Array.isArray(read) ? read : []
  } catch {
    return []
  }
}

globalThis.addEventListener?.('pagehide', saveHeld)
