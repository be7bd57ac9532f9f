import { v7 } from 'uuid'
import { actOfKeeping, type Kept } from '../core/firm/records.ts'
import { may } from '../core/firm/rights.ts'
import { addChange } from '../records/changes.ts'
import { type Db, retrying, type Trx, withFirm } from '../records/database.ts'
import { insertKept, type KeptRecord, keptById } from '../records/kept.ts'
import {
  bringBackKept,
  hangingOnRecord,
  isSubject,
  type RemovableKind,
  removableKinds,
  removeKept,
} from '../records/removal.ts'
import { type Answer, refusal } from './answer.ts'
import type { Actor } from './judge-entry.ts'
import { reckonLater } from './rebuild.ts'

export const isRemovable = (kind: string | undefined): kind is RemovableKind =>
  removableKinds.some((one) => one === kind)

/**
 * Removes a record that nothing hangs on: entered by mistake, twice, for a trial. What it was stands in the log, and
 * can be brought back. What has a history is retired instead: its history stays. Asked again, it succeeds.
 */
export async function removeRecord(
  db: Db,
  actor: Actor,
  kind: RemovableKind,
  id: string,
  now: Date,
): Promise<Answer<object>> {
  if (!may(actor.role, actOfKeeping(kind))) return refusal(403, '', 'forbidden', 'Only the owner may do that.')
  return retrying(() =>
    withFirm(db, actor.firmId, async (trx): Promise<Answer<object>> => {
      const there = await keptById(trx, kind, id)
      if (!there) return (await isSubject(trx, kind, id)) ? { ok: true } : refusal(404, '', 'unknown', 'is not here')
      const hanging = await hangingOnRecord(trx, kind, id)
      if (hanging.length > 0)
        return refusal(422, '', 'hanging', `It cannot be removed: ${hanging.join(', ')} hang on it. It can be retired.`)
      await removeKept(trx, kind, [id])
      await addChange(trx, actor.firmId, {
        ...madeBy(actor, now),
        action: 'removed',
        aboutKind: kind,
        aboutId: id,
        before: fieldsOf(there),
      })
      return { ok: true }
    }),
  )
}

/** A record that was there before, there again as it was. */
export async function restoreRecord<K extends RemovableKind>(
  trx: Trx,
  actor: Actor,
  kind: K,
  id: string,
  record: Kept<K>,
  now: Date,
): Promise<void> {
  if (await isSubject(trx, kind, id)) await bringBackKept(trx, actor.firmId, kind, id, record)
  else await insertKept(trx, actor.firmId, kind, id, record)
  if (kind === 'machine' || kind === 'softener') await reckonLater(trx, actor.firmId, [id])
  await addChange(trx, actor.firmId, {
    ...madeBy(actor, now),
    action: 'brought-back',
    aboutKind: kind,
    aboutId: id,
    after: record,
  })
}

/** Who did it when: what every line of the log says. */
export const madeBy = ({ technicianId }: Actor, now: Date) => ({
  id: v7({ msecs: now.getTime() }),
  at: now.toISOString(),
  technicianId,
})

/** A record without its id and version. */
export const fieldsOf = <K extends KeptRecord>({ id: _, version: __, ...fields }: K): Omit<K, 'id' | 'version'> =>
  fields
