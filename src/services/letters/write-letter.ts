import { object, string } from 'yup'
import { type LetterFile, mostLetterBytes } from '../../core/letters/letter.ts'
import { uuid } from '../../core/parse/fields.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { type Db, lookIn, type Trx, withFirm } from '../../records/database.ts'
import { technicians } from '../../records/firms.ts'
import { ask } from '../../records/job-queue.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { insertLetter, type LetterCursor, type LettersOf, letterAgain, lettersListed } from '../../records/letters.ts'
import type { LetterPage, LetterRow } from '../../views/letter-page.ts'
import { type Answer, refusal } from '../answer.ts'
import { readCursor, writeCursor } from '../cursor.ts'
import type { Actor } from '../judge-entry.ts'
import { postOfficeName } from './post-office.ts'

const pageSize = 50

/** A letter as somebody writes it. No line breaks where the head of a letter has none. */
const letterFields = object({
  id: uuid().required(),
  to: string()
    .trim()
    .max(200, 'must be at most 200 characters')
    .email('is not an e-mail address')
    .required('must be said'),
  subject: string()
    .trim()
    .max(150, 'must be at most 150 characters')
    .matches(/^[^\r\n]*$/, 'must be one line')
    .required('must be said'),
  words: string().max(5000, 'must be at most 5000 characters').default(''),
}).noUnknown()

/**
 * Writes a letter down to be sent, with its papers as they are now. Asked twice by one id it goes out once.
 *
 * @param said - what was typed, as it came
 */
export async function writeLetter(
  db: Db,
  actor: Actor,
  said: unknown,
  { of, files, now }: { of?: LettersOf; files: LetterFile[]; now: Date },
): Promise<Answer> {
  const parsed = parseStrict(letterFields, said)
  if (!parsed.ok) return { ok: false, status: 422, issues: parsed.issues }
  const bytes = files.reduce((sum, file) => sum + file.bytes.length, 0)
  if (bytes > mostLetterBytes)
    return refusal(422, 'papers', 'too_large', 'are more than a letter carries: send fewer at once')
  const { id, to, subject, words } = parsed.value
  await withFirm(db, actor.firmId, async (trx) => {
    const replyTo = await ownAddress(trx, actor.firmId)
    await insertLetter(
      trx,
      actor.firmId,
      {
        id,
        writtenAt: now.toISOString(),
        writtenBy: actor.technicianId,
        ...of,
        to,
        ...(replyTo && { replyTo }),
        subject,
        words,
      },
      files,
    )
    await ask(trx, 'send-letters', { firmId: actor.firmId })
  })
  return { ok: true }
}

/** Tries a letter anew that was refused, with the papers it had. */
export async function sendAgain(db: Db, actor: Actor, id: string, now: Date): Promise<Answer> {
  return withFirm(db, actor.firmId, async (trx): Promise<Answer> => {
    if (!(await letterAgain(trx, id, now)))
      return refusal(404, '', 'unknown', 'is no letter that was refused, or its papers are kept no longer')
    await ask(trx, 'send-letters', { firmId: actor.firmId })
    return { ok: true }
  })
}

/** Letters, the latest first: all of them, or those with papers of a visit or a place. */
export async function letterPage(
  db: Db,
  firmId: string,
  { of, cursor }: { of?: LettersOf; cursor?: string },
): Promise<LetterPage> {
  const after = readCursor<LetterCursor>(cursor, ['instant', 'uuid'])
  return lookIn(db, firmId, async (trx) => {
    const found = await lettersListed(trx, { of, after, limit: pageSize + 1 })
    const people = new Map((await technicians(trx)).map((person) => [person.id, person.name]))
    const page = found.slice(0, pageSize)
    const last = page.at(-1)
    return {
      rows: page.map(
        ({ writtenBy, replyTo: _, ...letter }): LetterRow => ({ ...letter, by: people.get(writtenBy) ?? 'someone' }),
      ),
      ...(found.length > pageSize && last && { next: writeCursor([last.writtenAt, last.id]) }),
      via: postOfficeName(),
    }
  })
}

async function ownAddress(trx: Trx, firmId: string): Promise<string | undefined> {
  const settings = await entriesOfKinds(trx, [firmId], ['setting', 'withdrawn'])
  return nearestSetting(effective({ firm: settings }), 'letterhead')?.body.email || undefined
}
