/** Where a letter stands: it waits to be sent, went out, or will not be taken. */
export type LetterState = 'waiting' | 'sent' | 'refused'

export interface LetterFile {
  name: string
  mediaType: string
  bytes: Uint8Array
}

/** More than a mail server takes as a rule; from memory. */
export const mostLetterBytes = 18 * 2 ** 20

const minute = 60_000
/** Soon at first, then every hour. */
const firstWaits = [1, 5, 15, 30].map((minutes) => minutes * minute)
const usualWait = 60 * minute
/** RFC 5321, 4.5.4.1: whoever cannot be reached is tried for four to five days. */
const givenUpAfter = 4 * 24 * 60 * minute

/**
 * When a letter that could not be handed over is tried again.
 *
 * @param tries - how often it was tried, the last one too
 * @param since - when it was first to go out
 * @returns null where it is given up
 * @example triedAgainAt({ tries: 1, since: 0, now: 0 }) // 60_000
 */
export function triedAgainAt({ tries, since, now }: { tries: number; since: number; now: number }): number | null {
  const at = now + (firstWaits[tries - 1] ?? usualWait)
  return at - since > givenUpAfter ? null : at
}

/**
 * Whether a server’s answer means that it will never take the letter (RFC 5321, 4.2.1: replies that begin with 5).
 * No answer at all, or one that begins with 4, means later.
 */
export const isForEver = (replyCode: number | undefined): boolean =>
  replyCode !== undefined && replyCode >= 500 && replyCode < 600
