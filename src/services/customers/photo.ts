import { readFile } from 'node:fs/promises'
import type { Db } from '../../records/database.ts'
import { isUuid } from '../cursor.ts'
import { savePhoto } from '../photos.ts'
import { type SentHow, writeSent } from './send.ts'
import type { There } from './there.ts'

/** What came of a photo: taken, no picture, or not from whoever may send one. */
export type PhotoSent = 'photo' | 'unreadable' | 'unknown' | 'slow'

/**
 * Takes a photo of what was reported, of those who know the word of the place alone: what strangers send is words.
 *
 * @param path - the form as it was put aside, with its type
 */
export async function takePhoto(
  db: Db,
  there: There,
  { path, type }: { path: string; type: string },
  how: Pick<SentHow, 'now' | 'address'>,
): Promise<PhotoSent> {
  if (!there.knows) return 'unknown'
  const form = await new Response(new Uint8Array(await readFile(path)), { headers: { 'content-type': type } })
    .formData()
    .catch(() => null)
  const file = form?.get('photo')
  const [id, of] = ['id', 'of'].map((name) => String(form?.get(name) ?? ''))
  if (!(file instanceof Blob) || !isUuid(id!) || !isUuid(of!)) return 'unreadable'
  const by = { technicianId: there.actor.technicianId, at: how.now }
  const name = await savePhoto(db, there.actor.firmId, Buffer.from(await file.arrayBuffer()), by)
  if (!name) return 'unreadable'
  const body = { photos: [name], of, internal: true }
  const entry = { about: 'machine' as const, aboutId: there.machineId, kind: 'pictured', body }
  const sent = await writeSent(db, there, [entry], { ...how, id: id! })
  return sent.ok ? 'photo' : 'slow'
}
