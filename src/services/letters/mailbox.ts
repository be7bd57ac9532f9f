import { simpleParser } from 'mailparser'
import { v7 } from 'uuid'
import type { LetterFile } from '../../core/letters/letter.ts'
import { type Db, lookIn, withFirm } from '../../records/database.ts'
import { type MailboxLetter, mailboxLetter, mailboxLetters, putIntoMailbox } from '../../records/mailbox.ts'
import type { MailboxRow } from '../../views/letter-page.ts'

const shown = 50

/** Puts a letter into a firm's mailbox as it came over the line. */
export const takeIn = (db: Db, firmId: string, raw: Buffer, now: Date): Promise<void> =>
  withFirm(db, firmId, (trx) => putIntoMailbox(trx, firmId, { id: v7(), cameAt: now.toISOString(), raw }))

/** What lies in a firm's mailbox, the latest first: what would have been sent. */
export async function mailbox(db: Db, firmId: string): Promise<MailboxRow[]> {
  const letters = await lookIn(db, firmId, (trx) => mailboxLetters(trx, shown))
  return Promise.all(letters.map(toRow))
}

/** A paper out of a letter in the mailbox; null where there is none. */
export async function mailboxFile(db: Db, firmId: string, id: string, n: number): Promise<LetterFile | null> {
  const letter = await lookIn(db, firmId, (trx) => mailboxLetter(trx, id))
  const file = letter && (await simpleParser(letter.raw)).attachments[n]
  return file ? { name: file.filename ?? `paper-${n + 1}`, mediaType: file.contentType, bytes: file.content } : null
}

async function toRow({ id, cameAt, raw }: MailboxLetter): Promise<MailboxRow> {
  const letter = await simpleParser(raw)
  const to = Array.isArray(letter.to) ? letter.to[0] : letter.to
  return {
    id,
    cameAt,
    from: letter.from?.text ?? '',
    to: to?.text ?? '',
    replyTo: letter.replyTo?.text ?? '',
    subject: letter.subject ?? '',
    words: letter.text ?? '',
    files: letter.attachments.map(({ filename, content }, n) => ({
      n,
      name: filename ?? `paper-${n + 1}`,
      bytes: content.length,
    })),
  }
}
