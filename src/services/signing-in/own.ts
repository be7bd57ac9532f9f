import type { RegistrationResponseJSON } from '@simplewebauthn/server'
import { object, string } from 'yup'
import { may } from '../../core/firm/rights.ts'
import { parseStrict } from '../../core/parse/parse-strict.ts'
import { accountByEmail, accountsOf, setPassword } from '../../records/accounts.ts'
import { type Db, withFirm } from '../../records/database.ts'
import { setAsksSecond, technicianById } from '../../records/firms.ts'
import { forgetDevices } from '../../records/known-devices.ts'
import { dropCodeApp, dropPasskeys, type Holder, setRecoveryCodes } from '../../records/second-proofs.ts'
import { endSessions, showAgain } from '../../records/sessions.ts'
import type { SigningInPage } from '../../views/signing-in-page.ts'
import { type Answer, ownerOnly, refusal } from '../answer.ts'
import type { Actor } from '../judge-entry.ts'
import { isOfAddress, ofAddressMessage, passwordField } from '../password.ts'
import { makeLink } from '../people.ts'
import { hashPassword, isPasswordOf, type SignedIn } from '../sign-in.ts'
import { type Caller, nobody } from './caller.ts'
import { newCodeApp, newRecoveryCodes, takeCode } from './code-app.ts'
import { beginPasskey, finishPasskey, type Site, takesPasskeys } from './passkeys.ts'
import { hasSecondProof, proofsOf } from './proofs.ts'
import { tell } from './tell.ts'

/** The address somebody signs in with. */
async function addressOf(db: Db, { firmId, technicianId }: Holder): Promise<string> {
  return (await accountsOf(db, firmId)).find((account) => account.technicianId === technicianId)?.email ?? ''
}

/** What somebody signs in with, as their own page lists it. */
export async function signingInPage(
  db: Db,
  actor: Actor,
  { firm, owesSecond }: Pick<SignedIn, 'firm' | 'owesSecond'>,
  site: Site,
): Promise<SigningInPage> {
  return {
    email: await addressOf(db, actor),
    ...(await proofsOf(db, actor)),
    takesPasskeys: takesPasskeys(site),
    asksSecond: firm.asksSecond,
    owesSecond,
  }
}

const slow = refusal(429, 'password', 'too_many', 'was wrong too often: wait a quarter of an hour')

/** Shows once more who one is: for the next minutes keys and all data are handed out without asking. */
export async function showPasswordAgain(
  db: Db,
  actor: Actor,
  sessionId: string,
  password: string,
  caller: Caller,
): Promise<Answer> {
  const right = await isPasswordOf(db, await addressOf(db, actor), password, caller)
  if (right === 'too-many') return slow
  if (!right) return refusal(422, 'password', 'wrong', 'is not your password')
  await showAgain(db, actor.firmId, sessionId, new Date())
  await tell(db, actor, 'shown-again', caller)
  return { ok: true }
}

const change = object({ current: string().max(1000).required(), password: passwordField() }).noUnknown()

/** A new password of one's own. Every other session ends: whoever had the old one is out. */
export async function changePassword(
  db: Db,
  actor: Actor,
  sessionId: string,
  input: unknown,
  caller: Caller,
): Promise<Answer<{ ended: number }>> {
  const parsed = parseStrict(change, input)
  if (!parsed.ok) return { ok: false, status: 422, issues: parsed.issues }
  const { current, password } = parsed.value
  const email = await addressOf(db, actor)
  const right = await isPasswordOf(db, email, current, caller)
  if (right === 'too-many') return { ...slow, issues: [{ ...slow.issues[0]!, path: 'current' }] }
  if (!right) return refusal(422, 'current', 'wrong', 'is not your password')
  if (isOfAddress(password, email)) return refusal(422, 'password', 'own_address', ofAddressMessage)
  const passwordHash = await hashPassword(password)
  const ended = await db.transaction(async (trx) => {
    await setPassword(trx, actor.firmId, actor.technicianId, passwordHash)
    await forgetDevices(trx, actor)
    return endSessions(trx, actor.firmId, { technicianId: actor.technicianId, except: sessionId })
  })
  await showAgain(db, actor.firmId, sessionId, new Date())
  await tell(db, actor, 'password-changed', caller)
  return { ok: true, ended }
}

/** Begins a code app: what it reads, once. */
export async function beginOwnCodeApp(db: Db, actor: Actor): Promise<Answer<{ secret: string; qrSvg: string }>> {
  const email = await addressOf(db, actor)
  const begun = await withFirm(db, actor.firmId, (trx) => newCodeApp(trx, actor, email))
  return begun ? { ok: true, ...begun } : refusal(422, '', 'there', 'There is a code app already: take it away first.')
}

/** The first right code: from now on it is asked for. With it come codes for paper, where there are none yet. */
export async function confirmOwnCodeApp(
  db: Db,
  actor: Actor,
  code: string,
  caller: Caller,
): Promise<Answer<{ recoveryCodes: string[] }>> {
  const { recoveryCodes: there } = await proofsOf(db, actor)
  const fresh = await withFirm(db, actor.firmId, async (trx) => {
    if (!(await takeCode(trx, actor, code, new Date(), true))) return null
    await tell(trx, actor, 'code-app-added', caller)
    return there > 0 ? [] : newRecoveryCodes(trx, actor)
  })
  return fresh
    ? { ok: true, recoveryCodes: fresh }
    : refusal(422, 'code', 'wrong', 'is not the code of this half minute: look at the clock of the phone too')
}

const noName = refusal(422, '', 'no_name', 'Passkeys need Even Shot to be reached by a name over https.')

/** Begins a passkey of one's own. */
export async function beginOwnPasskey(
  db: Db,
  actor: Actor,
  name: string,
  site: Site,
): Promise<Answer<Awaited<ReturnType<typeof beginPasskey>>>> {
  if (!takesPasskeys(site)) return noName
  return { ok: true, ...(await beginPasskey(db, actor, { email: await addressOf(db, actor), name }, site)) }
}

/** Keeps the passkey the browser made. With the first proof come codes for paper. */
export async function addOwnPasskey(
  db: Db,
  actor: Actor,
  made: { halfWay: string; name: string; response: RegistrationResponseJSON },
  site: Site,
  caller: Caller,
): Promise<Answer<{ recoveryCodes: string[] }>> {
  const { recoveryCodes: there } = await proofsOf(db, actor)
  if (!(await finishPasskey(db, actor, made.halfWay, made, site)))
    return refusal(422, '', 'wrong', 'The passkey was not taken: begin again.')
  const recoveryCodes = await withFirm(db, actor.firmId, async (trx) => {
    await tell(trx, actor, 'passkey-added', caller)
    return there > 0 ? [] : newRecoveryCodes(trx, actor)
  })
  return { ok: true, recoveryCodes }
}

/** Codes for paper, made anew: the ones before open nothing any more. */
export async function remakeRecoveryCodes(
  db: Db,
  actor: Actor,
  caller: Caller,
): Promise<Answer<{ recoveryCodes: string[] }>> {
  if (!(await hasSecondProof(db, actor)))
    return refusal(422, '', 'none', 'There is no second proof they could stand in for.')
  const recoveryCodes = await withFirm(db, actor.firmId, async (trx) => {
    await tell(trx, actor, 'recovery-codes-made', caller)
    return newRecoveryCodes(trx, actor)
  })
  return { ok: true, recoveryCodes }
}

/** Takes a proof away: the code app, or a passkey by its id. The last one stays where the firm asks for one. */
export async function dropProof(
  db: Db,
  actor: Actor,
  which: 'code-app' | { passkey: string },
  isAsked: boolean,
  caller: Caller,
): Promise<Answer> {
  const { hasCodeApp, passkeys } = await proofsOf(db, actor)
  const left =
    which === 'code-app'
      ? passkeys.length
      : passkeys.filter(({ id }) => id !== which.passkey).length + (hasCodeApp ? 1 : 0)
  if (isAsked && left === 0) return refusal(422, '', 'last', 'The firm asks for a second proof: add another first.')
  const gone = await withFirm(db, actor.firmId, async (trx) => {
    const count = which === 'code-app' ? await dropCodeApp(trx, actor) : await dropPasskeys(trx, actor, which.passkey)
    if (count === 0) return false
    if (left === 0) await setRecoveryCodes(trx, actor, [])
    await tell(trx, actor, which === 'code-app' ? 'code-app-removed' : 'passkey-removed', caller)
    return true
  })
  return gone ? { ok: true } : refusal(404, '', 'unknown', 'is not here')
}

/** The owner lets somebody in again who has lost phone, passkey and paper: with the password alone, until a new proof. */
export async function forgetProofsOf(db: Db, actor: Actor, technicianId: string, caller: Caller): Promise<Answer> {
  if (!may(actor.role, 'forget-others-proofs')) return ownerOnly
  return withFirm(db, actor.firmId, async (trx) => {
    if (!(await technicianById(trx, technicianId))) return refusal(404, '', 'unknown', 'is not here')
    const holder = { firmId: actor.firmId, technicianId }
    await dropCodeApp(trx, holder)
    await dropPasskeys(trx, holder)
    await setRecoveryCodes(trx, holder, [])
    await tell(trx, actor, 'second-proof-forgotten', caller, technicianId)
    return { ok: true }
  })
}

/**
 * Lets somebody in again whom nobody else can: the one owner who lost phone, passkey and paper. For whoever has the
 * machine it runs on.
 * @returns the token of a one-time link, for a new password; null when nobody signs in with that address
 */
export async function letInAgain(db: Db, email: string): Promise<string | null> {
  const account = await accountByEmail(db, email)
  if (!account) return null
  const actor = { firmId: account.firmId, technicianId: account.technicianId, role: 'owner' as const }
  await forgetProofsOf(db, actor, account.technicianId, nobody)
  const made = await makeLink(db, actor, account.technicianId, new Date())
  return made.ok ? made.token : null
}

/** Whether everybody of the firm shows a second proof: for the owner to say, who has one. */
export async function setRule(db: Db, actor: Actor, asksSecond: boolean, caller: Caller): Promise<Answer> {
  if (!may(actor.role, 'set-how-to-sign-in')) return ownerOnly
  if (asksSecond && !(await hasSecondProof(db, actor)))
    return refusal(422, 'asksSecond', 'none', 'needs one of your own first: add a code app or a passkey')
  await withFirm(db, actor.firmId, async (trx) => {
    await setAsksSecond(trx, asksSecond)
    await tell(trx, actor, 'rule-changed', caller)
  })
  return { ok: true }
}
