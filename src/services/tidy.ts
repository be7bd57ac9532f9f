import { rm } from 'node:fs/promises'
import { type Db, withFirm } from '../records/database.ts'
import { dropOldEvents, dropOldPhotos } from '../records/retention.ts'
import { photoPath } from './photos.ts'

/**
 * Takes out what a firm keeps no longer, by its own rule: lines of who signed in, photos. What was written in the
 * ledger about a photo stays. Backups made before have them until they are thinned.
 *
 * @returns how much went
 */
export async function tidy(db: Db, firmId: string, now: Date): Promise<{ events: number; photos: number }> {
  const { events, names } = await withFirm(db, firmId, async (trx) => ({
    events: await dropOldEvents(trx, now),
    names: await dropOldPhotos(trx, now),
  }))
  // Only now: a row without its file is what a failed write would leave, a file without a row is seen by nobody.
  for (const name of names) await rm(photoPath(name), { force: true })
  return { events, photos: names.length }
}
