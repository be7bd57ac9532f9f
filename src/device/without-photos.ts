import type { Entry } from '../core/ledger/entry.ts'
import { photosIn } from '../core/ledger/photos-in.ts'
import { encipher } from './cipher.ts'
import { deviceDatabase } from './database.ts'
import { deviceKey } from './device-key.ts'
import { changeUnsent, type Unsent } from './unsent.ts'

/**
 * Entries without some photos. What was only a photo with a word to it stays as that word.
 * @param gone - names of the photos on this device
 */
const withoutPhotos = (entries: Entry[], gone: ReadonlySet<string>): Entry[] =>
  entries.flatMap((entry): Entry[] => {
    if (!photosIn(entry).some(({ name }) => gone.has(name))) return [entry]
    if (entry.kind === 'pictured') {
      const { photos, text, internal } = entry.body
      const left = photos.filter((name) => !gone.has(name))
      if (left.length > 0) return [{ ...entry, body: { ...entry.body, photos: left } }]
      return text ? [{ ...entry, kind: 'note', body: { v: 1, text, ...(internal && { internal }) } }] : []
    }
    if (entry.kind === 'run') {
      const steps = entry.body.steps.map(({ photo, ...step }) =>
        photo && !gone.has(photo) ? { ...step, photo } : step,
      )
      return [{ ...entry, body: { ...entry.body, steps } }]
    }
    if (entry.kind === 'strip-down') {
      const things = entry.body.things.map(({ photos, ...thing }) => {
        const left = photos?.filter((name) => !gone.has(name)) ?? []
        return left.length > 0 ? { ...thing, photos: left } : thing
      })
      return [{ ...entry, body: { ...entry.body, things } }]
    }
    return [entry]
  })

/** Lets a save go without its photos that the server has not: somebody said so, the photos stay on this device for a while. */
export async function sendWithoutPhotos({ order, entries }: Unsent): Promise<void> {
  const db = await deviceDatabase()
  const gone = new Set<string>()
  for (const { name } of entries.flatMap(photosIn)) {
    const photo = await db.get('photo', name)
    if (photo && photo.name === null) gone.add(name)
  }
  const left = withoutPhotos(entries, gone)
  const enciphered = await encipher(await deviceKey(), left)
  await changeUnsent([order], () => ({
    ...{ entries: enciphered, entryIds: left.map(({ id }) => id), bytes: enciphered.bytes.length },
    ...{ state: 'waits' as const, issues: [], tries: 0, nextAt: 0 },
  }))
  // Nothing but a photo was in it.
  if (left.length === 0) await (await deviceDatabase()).delete('unsent', order)
}
