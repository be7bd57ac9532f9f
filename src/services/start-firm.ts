import { v7 } from 'uuid'
import { object, string } from 'yup'
import { filledIn, recordSchemas } from '../core/firm/records.ts'
import { type Issue, parseStrict } from '../core/parse/parse-strict.ts'
import { dayAt } from '../core/quantity/site-time.ts'
import { policies } from '../core/wear/limits.ts'
import { accountByEmail, addAccount, firmIds } from '../records/accounts.ts'
import { addChange } from '../records/changes.ts'
import { type Db, type Trx, withFirm } from '../records/database.ts'
import { addFirm, lockFirstRun, theFirm } from '../records/firms.ts'
import { insertKept } from '../records/kept.ts'
import { emailField, isOfAddress, ofAddressMessage, passwordField } from './password.ts'
import { hashPassword } from './sign-in.ts'
import { isWritten, writeGroup } from './write-entries.ts'

const request = object({
  firm: recordSchemas.firm.required(),
  policy: string().oneOf(policies).required(),
  owner: object({
    name: string().max(80).required(),
    initials: string().max(4).required(),
    email: emailField(),
    password: passwordField(),
  })
    .noUnknown()
    .required(),
}).noUnknown()

export type Started =
  | { ok: true; firmId: string; technicianId: string }
  | { ok: false; why: 'refused' | 'closed'; issues: Issue[] }

/**
 * Whether a firm of one's own can be started here: until the first one stands. The demo firm is nobody's.
 */
export async function canStart(db: Db): Promise<boolean> {
  for (const firmId of await firmIds(db)) {
    const firm = await withFirm(db, firmId, theFirm)
    if (firm && !firm.demo) return false
  }
  return true
}

/** Of several who start at once one goes first, and holds up the others until its firm stands. */
export async function isFirst(db: Db, trx: Trx): Promise<boolean> {
  await lockFirstRun(trx)
  return canStart(db)
}

/** Makes a firm with its owner, who can sign in from then on. */
export async function startFirm(db: Db, input: unknown, now: Date): Promise<Started> {
  const message = 'A firm stands here already: its owner invites whoever belongs to it.'
  const closed: Started = { ok: false, why: 'closed', issues: [{ path: '', code: 'closed', message }] }
  if (!(await canStart(db))) return closed
  const parsed = parseStrict(request, input)
  if (!parsed.ok) return { ok: false, why: 'refused', issues: parsed.issues }
  const { firm, policy, owner } = parsed.value
  if (isOfAddress(owner.password, owner.email)) {
    const issue = { path: 'owner.password', code: 'own_address', message: ofAddressMessage }
    return { ok: false, why: 'refused', issues: [issue] }
  }
  if (await accountByEmail(db, owner.email)) return { ok: false, why: 'refused', issues: [emailTaken(owner.email)] }
  const [firmId, technicianId] = [v7(), v7()]
  const passwordHash = await hashPassword(owner.password)
  const { name, timeZone, ...preferences } = firm
  const started = await withFirm(db, firmId, async (trx) => {
    if (!(await isFirst(db, trx))) return false
    await addFirm(trx, { id: firmId, name, demo: false, timeZone, preferences })
    const { name: ownName, initials } = owner
    await insertKept(
      trx,
      firmId,
      'technician',
      technicianId,
      filledIn('technician', { name: ownName, initials, role: 'owner' }),
    )
    await addAccount(trx, { email: owner.email, firmId, technicianId, passwordHash })
    const at = now.toISOString()
    await addChange(trx, firmId, {
      id: v7(),
      at,
      technicianId,
      action: 'added',
      aboutKind: 'firm',
      aboutId: firmId,
      after: firm,
    })
    const actor = { firmId, technicianId, role: 'owner' as const }
    const day = dayAt(timeZone, now)
    const answer = await writeGroup(
      trx,
      actor,
      [
        {
          id: v7(),
          subjectKind: 'firm',
          subjectId: firmId,
          kind: 'setting',
          happenedAt: at,
          happenedOn: day,
          body: { v: 1, setting: 'policy', policy },
        },
      ],
      { now },
    )
    if (!isWritten(answer)) throw new Error(`startFirm: the policy was refused: ${JSON.stringify(answer.verdicts)}`)
    return true
  })
  return started ? { ok: true, firmId, technicianId } : closed
}

export const emailTaken = (value: string): Issue => ({
  path: 'owner.email',
  code: 'taken',
  message: 'is the address of another account',
  value,
})
