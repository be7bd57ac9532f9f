import { createHash, randomBytes } from 'node:crypto'

/** What a browser holds and nobody guesses. */
export const newToken = (): string => randomBytes(32).toString('base64url')

// Only the digest is stored: a stolen table opens nothing.
export const digest = (token: string): Buffer => createHash('sha256').update(token).digest()
