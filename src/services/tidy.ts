import { rm } from 'node:fs/promises'
import { type Db, withFirm } from '../records/database.ts'
import { dropOldLetterFiles } from '../records/letters.ts'
import { dropOldMailbox } from '../records/mailbox.ts'
import { dropOldCallers, dropOldEvents, dropOldPhotos } from '../records/retention.ts'
import { photoPath } from './photos.ts'

/** Papers of letters that went out can be made again. */
const papersKeptDays = 90
/** It shows what would have been sent, and is no archive. */
const mailboxKeptDays = 30

/**
 * Takes out what a firm keeps no longer, by its own rule: lines of who signed in, who rang, photos. What was written in
 * the ledger about a photo stays, and what was said of a machine. Backups made before have them until they are thinned.
 *
 * @returns how much went
 */
export async function tidy(
  db: Db,
  firmId: string,
  now: Date,
): Promise<{ events: number; callers: number; photos: number }> {
  const { events, callers, names } = await withFirm(db, firmId, async (trx) => ({
    events: await dropOldEvents(trx, now),
    callers: await dropOldCallers(trx, now),
    names: await dropOldPhotos(trx, now),
    papers: await dropOldLetterFiles(trx, new Date(now.getTime() - papersKeptDays * 86_400_000)),
    mailbox: await dropOldMailbox(trx, new Date(now.getTime() - mailboxKeptDays * 86_400_000)),
  }))
  // Only now: a row without its file is what a failed write would leave, a file without a row is seen by nobody.
  for (const name of names) await rm(photoPath(name), { force: true })
  return { events, callers, photos: names.length }
}
