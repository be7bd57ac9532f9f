import nodemailer from 'nodemailer'
import { isForEver, type LetterFile, triedAgainAt } from '../../core/letters/letter.ts'
import { type Db, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import { claimLetter, type Letter, putOffLetter, settleLetter } from '../../records/letters.ts'
import type { PostOffice } from './post-office.ts'

/** So long a letter that somebody is at is left to them, ms: longer than a server is waited for. */
const claimedFor = 10 * 60_000
/** A server that does not answer is waited for so long, ms. */
const patience = { connectionTimeout: 20_000, greetingTimeout: 20_000, socketTimeout: 90_000 }

/** What comes of handing a letter over. */
export type HandOver = (letter: Letter, files: LetterFile[], firmName: string) => Promise<string>

/**
 * Hands over every letter of a firm that is to go out now. One that a server refuses for ever is said to be refused; one
 * that could not be handed over is tried again later, and given up after days.
 *
 * @returns how many went out
 */
export async function sendLetters(
  db: Db,
  firmId: string,
  handOver: HandOver,
  clock: () => Date,
  signal?: AbortSignal,
): Promise<number> {
  for (let sent = 0; ; ) {
    if (signal?.aborted) return sent
    const now = clock()
    const claimed = await withFirm(db, firmId, async (trx) => {
      const next = await claimLetter(trx, now, new Date(now.getTime() + claimedFor))
      return next && { ...next, firm: (await theFirm(trx))?.name ?? '' }
    })
    if (!claimed) return sent
    const { letter, files, firm } = claimed
    try {
      const said = await handOver(letter, files, firm)
      await withFirm(db, firmId, (trx) => settleLetter(trx, letter.id, { state: 'sent', said, now: clock() }))
      sent += 1
    } catch (error) {
      await putOff(db, firmId, letter, error as RefusedLetter, clock())
    }
  }
}

interface RefusedLetter {
  message: string
  /** What the server said, and its number. */
  response?: string
  responseCode?: number
}

async function putOff(db: Db, firmId: string, { id, tries, writtenAt }: Letter, error: RefusedLetter, now: Date) {
  const said = (error.response ?? error.message).slice(0, 500)
  const at = isForEver(error.responseCode)
    ? null
    : triedAgainAt({ tries, since: Date.parse(writtenAt), now: now.getTime() })
  await withFirm(db, firmId, (trx) =>
    at === null
      ? settleLetter(trx, id, { state: 'refused', said, now })
      : putOffLetter(trx, id, { said, at: new Date(at) }),
  )
}

/**
 * Hands letters over by SMTP. The same letter has the same Message-ID each time: a server that took it before it could
 * say so lets the second one go.
 */
export function bySmtp(firmId: string, { url, from }: PostOffice): HandOver {
  const transport = nodemailer.createTransport(url(firmId), patience as object)
  return async (letter, files, firmName) => {
    const own = from ?? letter.replyTo ?? 'letters@evenshot.invalid'
    const { response } = await transport.sendMail({
      from: { name: firmName, address: own },
      to: { name: '', address: letter.to },
      ...(letter.replyTo && letter.replyTo !== own && { replyTo: letter.replyTo }),
      subject: letter.subject,
      text: letter.words,
      date: new Date(letter.writtenAt),
      messageId: `<${letter.id}@${own.split('@').at(-1)}>`,
      attachments: files.map(({ name, mediaType, bytes }) => ({
        filename: name,
        contentType: mediaType,
        content: Buffer.from(bytes),
      })),
      // Nothing is read from this machine or fetched from another for a letter.
      disableFileAccess: true,
      disableUrlAccess: true,
    })
    return response
  }
}
