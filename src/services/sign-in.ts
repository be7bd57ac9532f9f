import { randomBytes } from 'node:crypto'
import { setTimeout as wait } from 'node:timers/promises'
import { hash, verify } from '@node-rs/argon2'
import { accountByEmail } from '../records/accounts.ts'
import { type Db, lookIn, withFirm } from '../records/database.ts'
import { type Firm, type Technician, technicianById, theFirm } from '../records/firms.ts'
import type { Holder } from '../records/second-proofs.ts'
import {
  addSession,
  dropExpiredSessions,
  endSession,
  type ShutOut,
  sessionByToken,
  shutOutByToken,
} from '../records/sessions.ts'
import { type Caller, nobody } from './signing-in/caller.ts'
import { rememberDevice } from './signing-in/known-device.ts'
import { handsInMs, idleMs, sessionMs, shownForMs } from './signing-in/limits.ts'
import { hasSecondProof } from './signing-in/proofs.ts'
import { beginSecond } from './signing-in/second.ts'
import { tell, tellOutsideAlone } from './signing-in/tell.ts'
import { paced } from './signing-in/throttle.ts'
import { digest, newToken } from './signing-in/tokens.ts'

/** Who is asking, for as long as their session lasts. */
export interface SignedIn {
  firm: Firm
  technician: Technician
  sessionId: string
  /** Whether they showed who they are a moment ago. */
  isFresh: boolean
  /** The session is over: it shows nothing any more, and still takes what was not handed in. */
  onlyHandsIn: boolean
  /** The firm asks for a second proof and this person has none yet. */
  owesSecond: boolean
}

/** What a browser is given to hold. */
export interface OpenedSession {
  token: string
  expiresAt: Date
  /** What it is known by from now on. */
  knownToken?: string
}

export type SignInAnswer =
  | ({ ok: true } & OpenedSession)
  /** The password was right; a second proof is to follow. */
  | { ok: false; reason: 'second'; halfWay: string }
  | { ok: false; reason: 'wrong' }
  | { ok: false; reason: 'too-many'; retryInS: number }

/** argon2id with the library's own parameters (19 MiB, 2 passes), as OWASP recommends. */
export const hashPassword = (password: string): Promise<string> => hash(password)

/** What is verified when no such account exists, so that the answer takes as long. */
let decoy: Promise<string> | null = null

/** A no is said no sooner, ms: how long it took tells nobody whether an address has an account. */
const noSooner = 120

/** Opens a session for a right address and password. Wrong ones are told apart from nothing. */
export async function signIn(db: Db, email: string, password: string, caller: Caller): Promise<SignInAnswer> {
  const [answer] = await Promise.all([tried(db, email, password, caller), wait(noSooner)])
  return answer
}

async function tried(db: Db, email: string, password: string, caller: Caller): Promise<SignInAnswer> {
  const key = email.trim().toLowerCase().slice(0, 200)
  const account = await accountByEmail(db, key)
  const pace = await paced(db, key, account, caller)
  if (!pace.ok) {
    // Once: a log that grows with every further try is what a guesser would fill.
    if (pace.isFirst && account) await tell(db, account, 'slowed-down', caller)
    else if (pace.isFirst) tellOutsideAlone('slowed-down', caller)
    return { ok: false, reason: 'too-many', retryInS: pace.retryInS }
  }
  decoy ??= hashPassword(randomBytes(16).toString('hex'))
  const right = await verify(account?.passwordHash ?? (await decoy), password)
  if (!account || !right) {
    if (account) await tell(db, account, 'wrong-password', caller)
    else tellOutsideAlone('wrong-password', caller)
    return { ok: false, reason: 'wrong' }
  }
  await pace.forgive()
  // Who has left opens nothing any more, and is told no more than a stranger.
  const person = await withFirm(db, account.firmId, (trx) => technicianById(trx, account.technicianId))
  if (!person || person.leftOn) return { ok: false, reason: 'wrong' }
  if (await hasSecondProof(db, account)) return { ok: false, reason: 'second', halfWay: await beginSecond(db, account) }
  await tell(db, account, 'signed-in', caller)
  return { ok: true, ...(await openSession(db, account, caller.device, caller)) }
}

/** Whether that is this person's password: asked again before a key or all data is handed out. */
export async function isPasswordOf(
  db: Db,
  email: string,
  password: string,
  caller: Caller,
): Promise<boolean | 'too-many'> {
  const account = await accountByEmail(db, email)
  if (!account) return false
  const pace = await paced(db, account.email, account, caller)
  if (!pace.ok) return 'too-many'
  if (!(await verify(account.passwordHash, password))) {
    await tell(db, account, 'wrong-password', caller)
    return false
  }
  await pace.forgive()
  return true
}

/** Opens a session for somebody who has just shown who they are. */
export async function openSession(
  db: Db,
  { firmId, technicianId }: Holder,
  device: string,
  caller: Caller = nobody,
): Promise<OpenedSession> {
  const token = newToken()
  const now = new Date()
  const expiresAt = new Date(now.getTime() + sessionMs)
  await dropExpiredSessions(db, new Date(now.getTime() - handsInMs))
  const who = { firmId, technicianId, device: device.slice(0, 200) }
  await addSession(db, digest(token), who, now, expiresAt)
  return { token, expiresAt, knownToken: await rememberDevice(db, { firmId, technicianId }, caller, now) }
}

/** Who holds a token; null when nobody does. */
export async function whoHolds(db: Db, token: string): Promise<SignedIn | null> {
  const now = new Date()
  const session = await sessionByToken(db, digest(token), now, { idleMs, handsInMs })
  if (!session) return whoLeft(db, token)
  const who = await lookIn(db, session.firmId, async (trx) => {
    const [firm, technician] = await Promise.all([theFirm(trx), technicianById(trx, session.technicianId)])
    return firm && technician && !technician.leftOn ? { firm, technician } : null
  })
  if (!who) return null
  return {
    ...who,
    sessionId: session.id,
    isFresh: now.getTime() - session.shownAt.getTime() < shownForMs,
    onlyHandsIn: session.isOver,
    owesSecond: who.firm.asksSecond && !(await hasSecondProof(db, session)),
  }
}

/**
 * Whether the device that holds this token was signed out from elsewhere, and forgets all that it keeps: at once where it
 * is taken for lost, after it has handed in what was written where its holder left.
 */
export async function shutOutOf(db: Db, token: string): Promise<ShutOut['why'] | null> {
  const shutOut = await shutOutByToken(db, digest(token))
  if (!shutOut) return null
  return mayHandIn(shutOut) ? 'left' : 'lost'
}

const mayHandIn = ({ why, at }: ShutOut): boolean => why === 'left' && Date.now() - at.getTime() < handsInMs

/** Whoever left hands in what they wrote until then, and is shown nothing. */
async function whoLeft(db: Db, token: string): Promise<SignedIn | null> {
  const shutOut = await shutOutByToken(db, digest(token))
  if (!shutOut || !mayHandIn(shutOut)) return null
  const who = await lookIn(db, shutOut.firmId, async (trx) => {
    const [firm, technician] = await Promise.all([theFirm(trx), technicianById(trx, shutOut.technicianId)])
    return firm && technician ? { firm, technician } : null
  })
  return who && { ...who, sessionId: '', isFresh: false, onlyHandsIn: true, owesSecond: false }
}

/** Ends a session that says so itself. */
export async function signOut(db: Db, token: string, caller: Caller = nobody): Promise<void> {
  const session = await sessionByToken(db, digest(token), new Date(), { idleMs, handsInMs })
  if (session) await tell(db, session, 'signed-out', caller)
  await endSession(db, digest(token))
}

/** Whether this address belongs to the demo firm: only then may its sign-in be shown. */
export async function isDemo(db: Db, email: string): Promise<boolean> {
  const account = await accountByEmail(db, email)
  if (!account) return false
  return withFirm(db, account.firmId, async (trx) => (await theFirm(trx))?.demo ?? false)
}
