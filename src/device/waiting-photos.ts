import type { Entry } from '../core/ledger/entry.ts'
import { photosIn } from '../core/ledger/photos-in.ts'
import { decipher, encipher } from './cipher.ts'
import { deviceDatabase } from './database.ts'
import { deviceKey } from './device-key.ts'
import { opened } from './half-done.ts'

/**
 * Keeps a photo until it can be sent. It is known by what it holds, as the server names photos; the server draws it anew
 * and calls it by what it holds then, so entries that name it are told its name before they are sent.
 *
 * @param image - a JPEG in base64
 * @returns what it is called on this device
 * @throws where there is no room, or no cipher to name it by
 */
export async function putPhoto(image: string, now: number): Promise<string> {
  const bytes = Uint8Array.from(atob(image), (char) => char.charCodeAt(0))
  const digest = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
  const ref = [...digest].map((byte) => byte.toString(16).padStart(2, '0')).join('')
  const enciphered = await encipher(await deviceKey(), image)
  const db = await deviceDatabase()
  if (!(await db.get('photo', ref)))
    await db.put('photo', { ref, image: enciphered, name: null, bytes: enciphered.bytes.length, madeAt: now })
  return ref
}

/** A photo that waits here, or was sent from here a moment ago; null where it did not. */
export async function waitingPhoto(ref: string): Promise<Uint8Array<ArrayBuffer> | null> {
  const item = await (await deviceDatabase()).get('photo', ref)
  if (!item) return null
  const image = (await decipher(await deviceKey(), item.image)) as string
  return Uint8Array.from(atob(image), (char) => char.charCodeAt(0))
}

/** Photos that some entries name and that are on this device, with the server’s names where they have been sent. */
export async function photosOfEntries(
  entries: Entry[],
): Promise<{ ref: string; name: string | null; bytes: number }[]> {
  const refs = [...new Set(entries.flatMap((entry) => photosIn(entry).map(({ name }) => name)))]
  if (refs.length === 0) return []
  const db = await deviceDatabase()
  const items = await Promise.all(refs.map((ref) => db.get('photo', ref)))
  return items.flatMap((item) => (item ? [{ ref: item.ref, name: item.name, bytes: item.bytes }] : []))
}

/** How sending a photo came out. */
export type PhotoSent =
  | { name: string }
  /** It cannot be kept however often it is sent. */
  | { refused: string }
  | { stopped: 'no network' | 'busy' | 'signed out' }

/** Sends one photo and writes down its name: what was sent is not sent again. */
export async function sendPhotoOf(ref: string, ask: typeof fetch, patience: number): Promise<PhotoSent> {
  const db = await deviceDatabase()
  const item = await db.get('photo', ref)
  if (!item) return { refused: 'is not on this device any more' }
  if (item.name) return { name: item.name }
  const image = await decipher(await deviceKey(), item.image)
  let response: Response
  try {
    response = await ask('/api/photos', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ image }),
      signal: AbortSignal.timeout(patience),
    })
    if (response.status === 401) return { stopped: 'signed out' }
    if (response.status === 507 || response.status === 422 || response.status === 413) {
      const { issues } = (await response.json()) as { issues: { message: string }[] }
      return { refused: issues[0]?.message ?? 'was refused' }
    }
    if (!response.ok) return { stopped: 'busy' }
    const { name } = (await response.json()) as { name: string }
    await db.put('photo', { ...item, name })
    return { name }
  } catch {
    return { stopped: 'no network' }
  }
}

/** Entries as they are sent: photos by the names the server gave them. */
export function withServersNames(entries: Entry[], photos: { ref: string; name: string | null }[]): Entry[] {
  const named = photos.filter(({ name }) => name !== null)
  if (named.length === 0) return entries
  // A digest stands in an entry as a photo’s name and as nothing else.
  const text = named.reduce((said, { ref, name }) => said.replaceAll(`"${ref}"`, `"${name}"`), JSON.stringify(entries))
  return JSON.parse(text) as Entry[]
}

/** How many photos wait and how big they are. */
export async function countPhotos(): Promise<{ photos: number; bytes: number }> {
  const db = await deviceDatabase().catch(() => null)
  const waiting = db ? (await db.getAll('photo')).filter(({ name }) => name === null) : []
  return { photos: waiting.length, bytes: waiting.reduce((sum, { bytes }) => sum + bytes, 0) }
}

const month = 30 * 86_400_000

/**
 * Lets go of photos that nobody names any more, a month after they were taken: no save that waits, refused or not, and
 * nothing somebody is in the middle of.
 */
export async function letGoOfPhotos(now: number, unsent: Entry[]): Promise<void> {
  const db = await deviceDatabase()
  const old = (await db.getAll('photo')).filter(({ madeAt }) => now - madeAt > month)
  if (old.length === 0) return
  // What cannot be opened any more names nothing that anybody could look for.
  const half = await Promise.all((await db.getAll('kept')).map((item) => opened(item).catch(() => null)))
  const named = JSON.stringify([unsent, half])
  await Promise.all(old.filter(({ ref }) => !named.includes(ref)).map(({ ref }) => db.delete('photo', ref)))
}
