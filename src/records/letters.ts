import type { Knex } from 'knex'
import type { LetterFile, LetterState } from '../core/letters/letter.ts'
import type { Trx } from './database.ts'

/** A letter that goes out by e-mail. */
export interface Letter {
  id: string
  writtenAt: string
  writtenBy: string
  visitId?: string
  /** Where its papers are of a place, not of one visit to it. */
  siteId?: string
  to: string
  replyTo?: string
  subject: string
  words: string
  state: LetterState
  tries: number
  settledAt?: string
  /** What the server said at last. */
  said?: string
}

/** Writes a letter down to be sent. @returns whether it was not there already */
export async function insertLetter(
  trx: Trx,
  firmId: string,
  letter: Omit<Letter, 'state' | 'tries' | 'settledAt' | 'said'>,
  files: LetterFile[],
): Promise<boolean> {
  const written = await trx('letter')
    .insert({
      firm_id: firmId,
      id: letter.id,
      written_at: letter.writtenAt,
      written_by: letter.writtenBy,
      visit_id: letter.visitId ?? null,
      site_id: letter.siteId ?? null,
      recipient: letter.to,
      reply_to: letter.replyTo ?? null,
      subject: letter.subject,
      words: letter.words,
      state: 'waiting',
      tries: 0,
      // At once, whatever the clock of whoever works says.
      try_at: '-infinity',
    })
    .onConflict(['firm_id', 'id'])
    .ignore()
    .returning('id')
  if (written.length === 0) return false
  for (const [n, { name, mediaType, bytes }] of files.entries())
    await trx('letter_file').insert({
      firm_id: firmId,
      letter_id: letter.id,
      n,
      name,
      media_type: mediaType,
      bytes: Buffer.from(bytes),
    })
  return true
}

/**
 * The next letter that is to be tried now, kept from whoever else works until some minutes from now: broken off, it is
 * tried again then.
 */
export async function claimLetter(
  trx: Trx,
  now: Date,
  until: Date,
): Promise<{ letter: Letter; files: LetterFile[] } | null> {
  const { rows } = await trx.raw(
    `update letter set try_at = :until, tries = tries + 1
     where id = (select id from letter where state = 'waiting' and try_at <= :now order by try_at, id limit 1
                 for update skip locked)
     returning *`,
    { now, until },
  )
  if (!rows[0]) return null
  const files = await trx('letter_file').where({ letter_id: rows[0].id }).orderBy('n')
  return {
    letter: toLetter(rows[0]),
    files: files.map(({ name, media_type: mediaType, bytes }) => ({
      name,
      mediaType,
      bytes: bytes ?? Buffer.alloc(0),
    })),
  }
}

/** It went out, or will not be taken. */
export const settleLetter = (
  trx: Trx,
  id: string,
  { state, said, now }: { state: 'sent' | 'refused'; said: string; now: Date },
): Promise<number> => trx('letter').where({ id, state: 'waiting' }).update({ state, said, settled_at: now })

/** It could not be handed over, and is tried again. */
export const putOffLetter = (trx: Trx, id: string, { said, at }: { said: string; at: Date }): Promise<number> =>
  trx('letter').where({ id, state: 'waiting' }).update({ said, try_at: at })

/** A letter that was refused is tried anew, as if it were written now. @returns whether there was one */
export async function letterAgain(trx: Trx, id: string, now: Date): Promise<boolean> {
  const changed = await trx('letter')
    .where({ id, state: 'refused' })
    .whereNotExists((query) => query.from('letter_file').whereRaw('letter_id = letter.id').whereNull('bytes'))
    .update({ state: 'waiting', tries: 0, try_at: '-infinity', written_at: now, settled_at: null })
  return changed > 0
}

/** Whether a letter waits that is to be tried by now. */
export async function letterWaiting(trx: Trx, now: Date): Promise<boolean> {
  return Boolean(await trx('letter').where({ state: 'waiting' }).where('try_at', '<=', now).first('id'))
}

export type LetterCursor = [at: string, id: string]

/** What letters are listed by: a visit; or a place, with those of its visits. */
export type LettersOf = { visitId: string } | { siteId: string }

/** Visits to places. */
const visitsAt = (trx: Trx, ofSites: (query: Knex.QueryBuilder) => void) =>
  trx('entry').where({ kind: 'visit' }).where(ofSites).select('visit_id')

/** Letters, the latest first, each with the names of its papers. */
export async function lettersListed(
  trx: Trx,
  { of, after, limit }: { of?: LettersOf | undefined; after: LetterCursor | null; limit: number },
): Promise<(Letter & { files: string[] })[]> {
  const query = trx('letter')
    .orderBy([
      { column: 'written_at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .limit(limit)
  if (of && 'visitId' in of) query.where({ visit_id: of.visitId })
  if (of && 'siteId' in of) {
    const { siteId } = of
    const ofVisits = visitsAt(trx, (visits) => visits.where({ subject_id: siteId }))
    query.where((either) => either.where({ site_id: siteId }).orWhereIn('visit_id', ofVisits))
  }
  if (after) query.whereRaw('(written_at, id) < (?::timestamptz, ?::uuid)', after)
  const rows = await query
  const files = await trx('letter_file')
    .whereRaw('letter_id = any(?)', [rows.map(({ id }) => id)])
    .orderBy('n')
    .select('letter_id', 'name')
  return rows.map((row) => ({
    ...toLetter(row),
    files: files.filter(({ letter_id: of }) => of === row.id).map(({ name }) => name),
  }))
}

/** Papers of letters that were settled long ago are let go; that they went out stays. @returns how many */
export const dropOldLetterFiles = (trx: Trx, before: Date): Promise<number> =>
  trx('letter_file')
    .whereNotNull('bytes')
    .whereIn('letter_id', trx('letter').whereNot({ state: 'waiting' }).where('settled_at', '<', before).select('id'))
    .update({ bytes: null })

/** Letters to a customer, and those with papers of their sites and of visits there, go: they are forgotten. */
export function forgetLettersOf(trx: Trx, customerId: string, to: string[]): Promise<number> {
  const theirs = () => trx('site').where({ customer_id: customerId }).select('id')
  return trx('letter')
    .whereRaw('lower(recipient) = any(?)', [to.map((one) => one.toLowerCase())])
    .orWhereIn('site_id', theirs())
    .orWhereIn(
      'visit_id',
      visitsAt(trx, (visits) => visits.whereIn('subject_id', theirs())),
    )
    .delete()
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver gives it
const toLetter = (row: any): Letter => ({
  id: row.id,
  writtenAt: row.written_at.toISOString(),
  writtenBy: row.written_by,
  ...(row.visit_id && { visitId: row.visit_id }),
  ...(row.site_id && { siteId: row.site_id }),
  to: row.recipient,
  ...(row.reply_to && { replyTo: row.reply_to }),
  subject: row.subject,
  words: row.words,
  state: row.state,
  tries: row.tries,
  ...(row.settled_at && { settledAt: row.settled_at.toISOString() }),
  ...(row.said && { said: row.said }),
})
