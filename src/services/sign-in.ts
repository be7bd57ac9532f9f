import { createHash, randomBytes } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { hash, verify } from '@node-rs/argon2'
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible'
import { accountByEmail } from '../records/accounts.ts'
import { type Db, withFirm } from '../records/database.ts'
import { type Firm, type Technician, technicianById, theFirm } from '../records/firms.ts'
import { addSession, dropExpiredSessions, endSession, sessionByToken } from '../records/sessions.ts'

/** Who is asking, for as long as their session lasts. */
export interface SignedIn {
  firm: Firm
  technician: Technician
  sessionId: string
}

export type SignInAnswer =
  | { ok: true; token: string; expiresAt: Date }
  | { ok: false; reason: 'wrong' }
  | { ok: false; reason: 'too-many'; retryInS: number }

const sessionDays = 30
/** argon2id with the library's own parameters (19 MiB, 2 passes), as OWASP recommends. */
export const hashPassword = (password: string): Promise<string> => hash(password)

/** What is verified when no such account exists, so that the answer takes as long. */
let decoy: Promise<string> | null = null

type Limiters = Record<'fromThere' | 'byAddress' | 'byEmail', RateLimiterPostgres>
const limiters = new WeakMap<Db, Limiters>()

/** Wrong tries for one account from wherever, before each further one is made to wait, and how long at most. */
const triesAtOnce = 30
const mostWaitMs = 8000

/**
 * Ten wrong tries in fifteen minutes for an account from one place, fifty from one place for any; counted in the
 * database. What comes from elsewhere shuts nobody out: it is only slowed down, whoever guesses and from how many places.
 */
function limiter(db: Db) {
  let found = limiters.get(db)
  if (!found) {
    const shared = {
      storeClient: db,
      storeType: 'knex',
      tableName: 'sign_in_attempt',
      tableCreated: true,
      duration: 15 * 60,
    }
    found = {
      fromThere: new RateLimiterPostgres({ ...shared, keyPrefix: 'there', points: 10 }),
      byEmail: new RateLimiterPostgres({ ...shared, keyPrefix: 'email', points: 1_000_000 }),
      byAddress: new RateLimiterPostgres({ ...shared, keyPrefix: 'address', points: 50 }),
    }
    limiters.set(db, found)
  }
  return found
}

/** How long a try waits, by how many there were for the account: twice as long each time, to a bound. */
export const slowedMs = (tries: number): number =>
  tries <= triesAtOnce ? 0 : Math.min(mostWaitMs, 250 * 2 ** (tries - triesAtOnce - 1))

/** Where somebody is, as far as it tells people apart: of IPv6 the network, which one person has whole. */
export function placeOf(address: string): string {
  if (!address.includes(':') || address.includes('.')) return address
  const [before = '', after] = address.toLowerCase().split('::')
  const groups = (text: string | undefined) => (text ? text.split(':') : [])
  const [head, tail] = [groups(before), groups(after)]
  // Two colons stand for as many groups of nought as are missing of eight.
  const all = [...head, ...Array<string>(Math.max(0, 8 - head.length - tail.length)).fill('0'), ...tail]
  return all.slice(0, 4).join(':')
}

/** Opens a session for a right address and password. Wrong ones are told apart from nothing. */
export async function signIn(
  db: Db,
  email: string,
  password: string,
  { address, device }: { address: string; device: string },
): Promise<SignInAnswer> {
  const { fromThere, byAddress, byEmail } = limiter(db)
  const key = email.trim().toLowerCase().slice(0, 200)
  const place = placeOf(address)
  try {
    // Counted before it is tried, so that many at once are many; taken back where it was right.
    await byAddress.consume(place)
    await fromThere.consume(`${place} ${key}`)
    await wait(slowedMs((await byEmail.consume(key)).consumedPoints))
  } catch (refused) {
    if (refused instanceof Error) throw refused
    return {
      ok: false,
      reason: 'too-many',
      retryInS: Math.ceil((refused as RateLimiterRes).msBeforeNext / 1000),
    }
  }
  const account = await accountByEmail(db, key)
  decoy ??= hashPassword(randomBytes(16).toString('hex'))
  const right = await verify(account?.passwordHash ?? (await decoy), password)
  if (!account || !right) return { ok: false, reason: 'wrong' }
  await Promise.all([fromThere.delete(`${place} ${key}`), byAddress.reward(place), byEmail.reward(key)])
  const who = { firmId: account.firmId, technicianId: account.technicianId }
  // Who has left opens nothing any more, and is told no more than a stranger.
  const person = await withFirm(db, who.firmId, (trx) => technicianById(trx, who.technicianId))
  if (!person || person.leftOn) return { ok: false, reason: 'wrong' }
  return { ok: true, ...(await openSession(db, who, device)) }
}

/** Opens a session for somebody who has just shown who they are. */
export async function openSession(
  db: Db,
  who: { firmId: string; technicianId: string },
  device: string,
): Promise<{ token: string; expiresAt: Date }> {
  const token = randomBytes(32).toString('base64url')
  const now = new Date()
  const expiresAt = new Date(now.getTime() + sessionDays * 86_400_000)
  await dropExpiredSessions(db, now)
  await addSession(db, digest(token), { ...who, device: device.slice(0, 200) }, now, expiresAt)
  return { token, expiresAt }
}

/** Who holds a token; null when nobody does. */
export async function whoHolds(db: Db, token: string): Promise<SignedIn | null> {
  const session = await sessionByToken(db, digest(token), new Date())
  if (!session) return null
  return withFirm(db, session.firmId, async (trx) => {
    const firm = await theFirm(trx)
    const technician = await technicianById(trx, session.technicianId)
    return firm && technician && !technician.leftOn ? { firm, technician, sessionId: session.id } : null
  })
}

export const signOut = (db: Db, token: string): Promise<void> => endSession(db, digest(token))

// Only the digest is stored: a stolen table opens nothing.
export const digest = (token: string) => createHash('sha256').update(token).digest()

/** Whether this address belongs to the demo firm: only then may its sign-in be shown. */
export async function isDemo(db: Db, email: string): Promise<boolean> {
  const account = await accountByEmail(db, email)
  if (!account) return false
  return withFirm(db, account.firmId, async (trx) => (await theFirm(trx))?.demo ?? false)
}
