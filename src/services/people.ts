import { v7 } from 'uuid'
import { object } from 'yup'
import { may } from '../core/firm/rights.ts'
import { parseStrict } from '../core/parse/parse-strict.ts'
import { accountByEmail, accountsOf, addAccount, setPassword } from '../records/accounts.ts'
import { addChange, type ChangeAction } from '../records/changes.ts'
import { type Db, withFirm } from '../records/database.ts'
import { technicianById, technicians, theFirm } from '../records/firms.ts'
import { addInvitation, invitationByToken, openInvitations, takeInvitation } from '../records/invitations.ts'
import { forgetDevices } from '../records/known-devices.ts'
import { whoHasProofs } from '../records/second-proofs.ts'
import { endSessions, openSessions } from '../records/sessions.ts'
import type { PeoplePage } from '../views/people-page.ts'
import { type Answer, ownerOnly, refusal } from './answer.ts'
import type { Actor } from './judge-entry.ts'
import { emailField, isOfAddress, ofAddressMessage, passwordField } from './password.ts'
import { hashPassword } from './sign-in.ts'
import { type Caller, nobody } from './signing-in/caller.ts'
import { tell } from './signing-in/tell.ts'
import { digest, newToken } from './signing-in/tokens.ts'

/** Links are for the next days, not for ever. */
const linkDays = 7

/** The people of a firm: who can sign in, who is invited, where they are signed in. */
export async function peoplePage(db: Db, actor: Actor, sessionId: string): Promise<PeoplePage> {
  const now = new Date()
  const people = await withFirm(db, actor.firmId, technicians)
  const withProofs = may(actor.role, 'forget-others-proofs')
    ? await withFirm(db, actor.firmId, (trx) => whoHasProofs(trx, actor.firmId))
    : null
  const accounts = await accountsOf(db, actor.firmId)
  const links = await openInvitations(db, actor.firmId, now)
  const sessions = await openSessions(db, actor.firmId, now)
  // Where others are signed in is for the owner to see.
  const mine = sessions.filter(
    (session) => may(actor.role, 'end-others-sessions') || session.technicianId === actor.technicianId,
  )
  return {
    people: people.map((person) => {
      const account = accounts.find(({ technicianId }) => technicianId === person.id)
      const link = links.find(({ technicianId }) => technicianId === person.id)
      return {
        ...person,
        ...(account && { email: account.email }),
        ...(withProofs?.has(person.id) && { hasSecond: true as const }),
        ...(link && { link: { purpose: link.purpose, expiresAt: link.expiresAt } }),
      }
    }),
    sessions: mine.map((session) => ({ ...session, own: session.id === sessionId })),
  }
}

/**
 * Makes a one-time link for a technician: to join, or, with an account already, to choose a new password.
 * The link is shown once; only its digest is kept.
 */
export async function makeLink(
  db: Db,
  actor: Actor,
  technicianId: string,
  now: Date,
  caller: Caller = nobody,
): Promise<Answer<{ token: string; purpose: 'join' | 'reset'; expiresAt: string }>> {
  if (!may(actor.role, 'make-a-link')) return ownerOnly
  const person = await withFirm(db, actor.firmId, (trx) => technicianById(trx, technicianId))
  if (!person) return refusal(404, '', 'unknown', 'is not here')
  if (person.leftOn) return refusal(422, '', 'left', 'has left the firm: take that back first')
  const account = (await accountsOf(db, actor.firmId)).find((one) => one.technicianId === technicianId)
  const purpose = account ? 'reset' : 'join'
  const token = newToken()
  const real = new Date()
  const expiresAt = new Date(real.getTime() + linkDays * 86_400_000).toISOString()
  await addInvitation(db, digest(token), { firmId: actor.firmId, technicianId, purpose, expiresAt }, real)
  await note(db, actor, purpose === 'join' ? 'invited' : 'reset-asked', technicianId, now)
  await tell(db, actor, 'link-made', caller, technicianId)
  return { ok: true, token, purpose, expiresAt }
}

/** What a link is for, so that the page can greet; null when it opens nothing. */
export async function readLink(db: Db, token: string) {
  const link = await invitationByToken(db, digest(token), new Date())
  if (!link) return null
  return withFirm(db, link.firmId, async (trx) => {
    const [firm, person] = [await theFirm(trx), await technicianById(trx, link.technicianId)]
    return firm && person && !person.leftOn ? { purpose: link.purpose, firm: firm.name, name: person.name } : null
  })
}

const joining = object({ email: emailField(), password: passwordField() }).noUnknown()
const resetting = object({ password: passwordField() }).noUnknown()

/** Follows a link: opens the account, or sets its new password and ends every session it had. */
export async function followLink(
  db: Db,
  token: string,
  input: unknown,
  now: Date,
  caller: Caller = nobody,
): Promise<Answer<{ firmId: string; technicianId: string }>> {
  const link = await invitationByToken(db, digest(token), new Date())
  const over = refusal(404, '', 'over', 'This link was used already or is over: ask for a new one.')
  const person = link && (await withFirm(db, link.firmId, (trx) => technicianById(trx, link.technicianId)))
  if (!link || !person || person.leftOn) return over
  const parsed = parseStrict(link.purpose === 'join' ? joining : resetting, input)
  if (!parsed.ok) return { ok: false, status: 422, issues: parsed.issues }
  const given = parsed.value as { email?: string; password: string }
  if (given.email && (await accountByEmail(db, given.email)))
    return refusal(422, 'email', 'taken', 'is the address of another account')
  const { firmId, technicianId } = link
  const account = (await accountsOf(db, firmId)).find((one) => one.technicianId === technicianId)
  const email = given.email ?? account?.email
  if (email && isOfAddress(given.password, email)) return refusal(422, 'password', 'own_address', ofAddressMessage)
  const passwordHash = await hashPassword(given.password)
  // Taken in the same transaction that uses it: two that follow at once open one account.
  const used = await db.transaction(async (trx) => {
    if (!(await takeInvitation(trx, digest(token), new Date()))) return false
    if (link.purpose === 'join') await addAccount(trx, { email: given.email!, firmId, technicianId, passwordHash })
    else await setPassword(trx, firmId, technicianId, passwordHash)
    await endSessions(trx, firmId, { technicianId })
    await forgetDevices(trx, { firmId, technicianId })
    return true
  })
  if (!used) return over
  const actor = { firmId, technicianId, role: 'technician' as const }
  await note(db, actor, link.purpose === 'join' ? 'joined' : 'password-set', technicianId, now)
  await tell(db, actor, link.purpose === 'join' ? 'joined' : 'password-set-by-link', caller)
  return { ok: true, firmId, technicianId }
}

/** Ends a session: one's own, or as the owner anybody's of the firm. */
export async function endListedSession(
  db: Db,
  actor: Actor,
  sessionId: string,
  now: Date,
  caller: Caller = nobody,
): Promise<Answer> {
  const session = (await openSessions(db, actor.firmId, new Date())).find(({ id }) => id === sessionId)
  if (!session) return refusal(404, '', 'unknown', 'is not here')
  if (!may(actor.role, 'end-others-sessions') && session.technicianId !== actor.technicianId) return ownerOnly
  await db.transaction((trx) => endSessions(trx, actor.firmId, { id: sessionId }, { why: 'lost', at: now }))
  await note(db, actor, 'session-ended', session.technicianId, now)
  await tell(db, actor, 'session-ended', caller, session.technicianId)
  return { ok: true }
}

async function note(db: Db, actor: Actor, action: ChangeAction, aboutId: string, now: Date): Promise<void> {
  const { firmId, technicianId } = actor
  const change = { id: v7(), at: now.toISOString(), technicianId, action, aboutKind: 'technician', aboutId }
  await withFirm(db, firmId, (trx) => addChange(trx, firmId, change))
}
