import type { Trx } from './database.ts'

/** A letter as it came into the mailbox that ships with the application. */
export interface MailboxLetter {
  id: string
  cameAt: string
  raw: Buffer
}

/** Not more are kept: it shows what would have been sent, and is no archive. */
const mostKept = 200

/** Puts a letter in, and takes out those that are too many. */
export async function putIntoMailbox(trx: Trx, firmId: string, letter: MailboxLetter): Promise<void> {
  await trx('mailbox_letter').insert({ firm_id: firmId, id: letter.id, came_at: letter.cameAt, raw: letter.raw })
  const kept = trx('mailbox_letter').orderBy('came_at', 'desc').limit(mostKept).select('id')
  await trx('mailbox_letter').whereNotIn('id', kept).delete()
}

/** What lies in the mailbox, the latest first. */
export async function mailboxLetters(trx: Trx, limit: number): Promise<MailboxLetter[]> {
  const rows = await trx('mailbox_letter').orderBy('came_at', 'desc').limit(limit)
  return rows.map(toMailboxLetter)
}

export async function mailboxLetter(trx: Trx, id: string): Promise<MailboxLetter | null> {
  const row = await trx('mailbox_letter').where({ id }).first()
  return row ? toMailboxLetter(row) : null
}

/** Letters in which an address stands go: whose it is is forgotten. */
export async function forgetInMailbox(trx: Trx, addresses: string[]): Promise<void> {
  // The head of a letter is plain text; as bytes it has no small and large letters of one kind.
  for (const address of addresses)
    await trx('mailbox_letter').whereRaw(`position(lower(?) in lower(encode(raw, 'escape'))) > 0`, [address]).delete()
}

export const dropOldMailbox = (trx: Trx, before: Date): Promise<number> =>
  trx('mailbox_letter').where('came_at', '<', before).delete()

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver gives it
const toMailboxLetter = (row: any): MailboxLetter => ({ id: row.id, cameAt: row.came_at.toISOString(), raw: row.raw })
