import { v7 } from 'uuid'
import { firmIds } from '../../records/accounts.ts'
import { type Db, type Trx, withFirm } from '../../records/database.ts'
import type { Holder } from '../../records/second-proofs.ts'
import { addSecurityEvent, type SecurityEventKind } from '../../records/security-events.ts'
import { type Caller, networkOf, nobody } from './caller.ts'

/** Where events go besides the database: lines of the log outside, without firm's words in them. */
type Line = (event: {
  security: SecurityEventKind
  firmId?: string
  technicianId?: string
  aboutId?: string
  place: string
}) => void

const outside: { line: Line } = { line: () => undefined }

/** Says once where events are also told: the server's own log. */
export function tellOutside(line: Line): void {
  outside.line = line
}

/** Writes down what happened, in a transaction of its own or the one that does it. Never a password, a code or a token. */
export async function tell(
  db: Db | Trx,
  holder: Holder,
  what: SecurityEventKind,
  caller: Caller,
  aboutId?: string,
): Promise<void> {
  const place = networkOf(caller.address)
  const event = {
    id: v7(),
    at: new Date().toISOString(),
    what,
    technicianId: holder.technicianId,
    ...(aboutId && { aboutId }),
    place,
    device: caller.device.slice(0, 200),
  }
  if (db.isTransaction) await addSecurityEvent(db as Trx, holder.firmId, event)
  else await withFirm(db, holder.firmId, (trx) => addSecurityEvent(trx, holder.firmId, event))
  outside.line({ security: what, ...holder, ...(aboutId && { aboutId }), place })
}

/** What was done to all that stands here, by whoever has the machine. */
export async function tellEveryFirm(db: Db, what: SecurityEventKind): Promise<void> {
  for (const firmId of await firmIds(db)) {
    const event = { id: v7(), at: new Date().toISOString(), what, place: nobody.address, device: nobody.device }
    await withFirm(db, firmId, (trx) => addSecurityEvent(trx, firmId, event))
  }
}

/** What has no firm to be kept for: an address nobody has. */
export const tellOutsideAlone = (what: SecurityEventKind, caller: Caller): void =>
  outside.line({ security: what, place: networkOf(caller.address) })
