import { type Db, withFirm } from '../../records/database.ts'
import { technicianById } from '../../records/firms.ts'
import { beginHalfWay, endHalfWay, readHalfWay, tryHalfWay } from '../../records/half-ways.ts'
import type { Holder } from '../../records/second-proofs.ts'
import type { Caller } from './caller.ts'
import { spendRecoveryCode, takeCode } from './code-app.ts'
import { halfWayMs } from './limits.ts'
import { type Proofs, proofsOf } from './proofs.ts'
import { tell } from './tell.ts'
import { pacedSecond } from './throttle.ts'
import { digest, newToken } from './tokens.ts'

/** Wrong codes before the password is asked for anew. */
const mostTries = 5

/** Stands between the password and the second proof. @returns what the browser holds meanwhile */
export async function beginSecond(db: Db, { firmId, technicianId }: Holder): Promise<string> {
  const token = newToken()
  const now = new Date()
  await beginHalfWay(db, digest(token), { what: 'second', firmId, technicianId }, now, later(now))
  return token
}

export const later = (now: Date): Date => new Date(now.getTime() + halfWayMs)

/** What whoever is half-way in may show; null when nobody is, or it took too long. */
export async function secondAsked(db: Db, token: string): Promise<Proofs | null> {
  const half = await readHalfWay(db, digest(token), new Date())
  if (half?.what !== 'second') return null
  return proofsOf(db, { firmId: half.firmId!, technicianId: half.technicianId! })
}

export type SecondAnswer =
  | { ok: true; holder: Holder }
  | { ok: false; reason: 'wrong' }
  /** Too long ago, or too many tries: the password is asked for anew. */
  | { ok: false; reason: 'over' }
  | { ok: false; reason: 'too-many'; retryInS: number }

/** Takes the second proof: six figures of a code app, or a code from paper. */
export async function showSecond(db: Db, token: string, code: string, caller: Caller): Promise<SecondAnswer> {
  const now = new Date()
  const half = await tryHalfWay(db, digest(token), now)
  if (half?.what !== 'second' || half.tries > mostTries) return { ok: false, reason: 'over' }
  const holder = { firmId: half.firmId!, technicianId: half.technicianId! }
  const pace = await pacedSecond(db, holder)
  if (!pace.ok) {
    if (pace.isFirst) await tell(db, holder, 'slowed-down', caller)
    return { ok: false, reason: 'too-many', retryInS: pace.retryInS }
  }
  const isCode = /^[\d\s]{6,8}$/.test(code.trim())
  const right = await withFirm(db, holder.firmId, async (trx) => {
    const person = await technicianById(trx, holder.technicianId)
    if (!person || person.leftOn) return false
    return isCode ? takeCode(trx, holder, code, now) : spendRecoveryCode(trx, holder, code)
  })
  if (!right) {
    await tell(db, holder, 'wrong-second-proof', caller)
    return { ok: false, reason: 'wrong' }
  }
  if (!(await endHalfWay(db, digest(token)))) return { ok: false, reason: 'over' }
  await pace.forgive()
  await tell(db, holder, isCode ? 'signed-in' : 'recovery-code-used', caller)
  return { ok: true, holder }
}
