import type { LetterState } from '../core/letters/letter.ts'

/** A letter in a list: to whom, with which papers, whether it went out. */
export interface LetterRow {
  id: string
  writtenAt: string
  by: string
  visitId?: string
  siteId?: string
  to: string
  subject: string
  words: string
  state: LetterState
  tries: number
  settledAt?: string
  said?: string
  files: string[]
}

export interface LetterPage {
  rows: LetterRow[]
  next?: string
  /** The server they are handed to; null: the mailbox that ships with the application. */
  via: string | null
}

/** A letter as it lies in the shipped mailbox. */
export interface MailboxRow {
  id: string
  cameAt: string
  from: string
  to: string
  replyTo: string
  subject: string
  words: string
  files: { n: number; name: string; bytes: number }[]
}
