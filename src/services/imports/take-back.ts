import { v7 } from 'uuid'
import type { Kept, RecordKind } from '../../core/firm/records.ts'
import { addChange, addChanges } from '../../records/changes.ts'
import { type Db, lookIn, retrying, type Trx, withFirm } from '../../records/database.ts'
import {
  type Hanging,
  hangingOn,
  holdImport,
  type KeptImport,
  type Made,
  madeBy,
  setImport,
} from '../../records/imports.ts'
import { type KeptRecord, keptById, keptByIds, updateKept } from '../../records/kept.ts'
import { entriesHeld, supersededOf } from '../../records/ledger.ts'
import { type RemovableKind, removeKept } from '../../records/removal.ts'
import { now } from '../clock.ts'
import type { Actor } from '../judge-entry.ts'
import { withdrawal } from '../withdrawal.ts'
import { isWritten, writeGroup } from '../write-entries.ts'
import { idOf } from './import-context.ts'

/** So many entries are withdrawn in a transaction. */
const batch = 300

/**
 * What of a list stays when it is taken back: records that something else hangs on, what they stand at, and what the
 * list says of them. A site stays with its machine, a customer with the site.
 */
export async function staysOf(
  trx: Trx,
  made: Made[],
  importId: string,
): Promise<{ stays: Set<string>; hanging: Hanging[] }> {
  const hanging = await hangingOn(trx, importId)
  const stays = new Set(hanging.map(({ id }) => id))
  const ofKind = (kind: RecordKind) =>
    made.filter((one) => one.what === 'record' && one.kind === kind).map(({ id }) => id)
  const up = async (kind: 'machine' | 'softener' | 'site', fields: string[]) => {
    for (const record of await keptByIds(
      trx,
      kind,
      ofKind(kind).filter((id) => stays.has(id)),
    ))
      for (const field of fields) {
        const id = (record as unknown as Record<string, string | undefined>)[field]
        if (id) stays.add(id)
      }
  }
  await up('machine', ['siteId', 'softenerId'])
  await up('softener', ['siteId'])
  await up('site', ['customerId'])
  return { stays, hanging }
}

/** Takes a list back: its entries are withdrawn, what it filled in is emptied, its records are removed. @returns whether it ended */
export async function takeBackNext(db: Db, firmId: string, list: KeptImport, signal: AbortSignal): Promise<boolean> {
  const { made, stays } = await lookIn(db, firmId, async (trx) => {
    const all = await madeBy(trx, list.id)
    return { made: all, ...(await staysOf(trx, all, list.id)) }
  })
  const entries = made.filter(({ what }) => what === 'entry').map(({ id }) => id)
  for (let i = 0; i < entries.length; i += batch) {
    if (signal.aborted) return false
    const some = entries.slice(i, i + batch)
    await retrying(() => withFirm(db, firmId, (trx) => withdraw(trx, firmId, list, some, stays)))
  }
  await retrying(() => withFirm(db, firmId, (trx) => finish(trx, firmId, list, made)))
  return true
}

/** Withdraws what still stands as the list wrote it; what somebody corrected since is theirs. */
async function withdraw(
  trx: Trx,
  firmId: string,
  list: KeptImport,
  ids: string[],
  stays: ReadonlySet<string>,
): Promise<void> {
  if ((await holdImport(trx, list.id)) !== 'going-back') return
  const superseded = await supersededOf(trx, ids)
  const there = (await entriesHeld(trx, ids)).filter(
    ({ id, subjectId }) => !superseded.has(id) && !stays.has(subjectId),
  )
  const at = now()
  const actor: Actor = { firmId, technicianId: list.takenBackBy ?? list.technicianId, role: 'owner' }
  const answer = await writeGroup(
    trx,
    actor,
    there.map((entry) => withdrawal(entry, { id: backId(list, entry.id), now: at })),
    {
      now: at,
      origin: 'a spreadsheet taken back',
      reckonLater: true,
    },
  )
  if (isWritten(answer)) return
  const first = answer.verdicts.find((verdict) => 'issues' in verdict)
  throw new Error(`list ${list.id} could not be taken back: ${JSON.stringify(first)}`)
}

/** The same whenever it is asked: a taking back that goes on writes nothing twice. */
const backId = ({ id, askedAt }: KeptImport, entryId: string): string =>
  idOf({ importId: id, askedAt: new Date(askedAt) }, `back ${entryId}`)

/** Empties what was filled in and removes what was made and nothing hangs on. */
async function finish(trx: Trx, firmId: string, list: KeptImport, made: Made[]): Promise<void> {
  if ((await holdImport(trx, list.id)) !== 'going-back') return
  const by = list.takenBackBy ?? list.technicianId
  const at = now().toISOString()
  for (const one of made.filter(({ what }) => what === 'filled')) await emptyAgain(trx, firmId, one, by, at)
  // Looked at once more, with the rows held: somebody may have built upon it meanwhile.
  const { stays } = await staysOf(trx, made, list.id)
  for (const kind of ['machine', 'softener', 'site', 'customer'] as const) {
    const ids = made
      .filter((one) => one.what === 'record' && one.kind === kind && !stays.has(one.id))
      .map(({ id }) => id)
    await removeRecords(trx, firmId, kind, ids, by, at)
  }
  await setImport(trx, list.id, { state: 'taken-back', endedAt: at })
  await addChange(trx, firmId, {
    id: v7(),
    at,
    technicianId: by,
    action: 'taken-back',
    aboutKind: 'firm',
    aboutId: firmId,
    after: { file: list.fileName, rows: list.rows },
  })
}

/** A field that still holds what the list filled in is emptied; what somebody changed since stays. */
async function emptyAgain(
  trx: Trx,
  firmId: string,
  { kind, id, before = {}, after = {} }: Made,
  by: string,
  at: string,
) {
  const there = await keptById(trx, kind as RecordKind, id)
  if (!there) return
  const { id: _, version, ...fields } = there
  const own = fields as Record<string, unknown>
  const back = Object.fromEntries(Object.entries(before).filter(([field]) => own[field] === after[field]))
  if (Object.keys(back).length === 0) return
  const record = { ...fields, ...back } as Kept<RecordKind>
  await updateKept(trx, kind as RecordKind, id, version, record)
  const change = { id: v7(), at, technicianId: by, action: 'changed' as const, aboutKind: kind, aboutId: id }
  await addChange(trx, firmId, { ...change, before: fields, after: record })
}

/** Takes records away; what they were stands in the log of changes. */
async function removeRecords(
  trx: Trx,
  firmId: string,
  kind: RemovableKind,
  ids: string[],
  by: string,
  at: string,
): Promise<void> {
  const records = (await keptByIds(trx, kind, ids)) as KeptRecord[]
  await removeKept(
    trx,
    kind,
    records.map(({ id }) => id),
  )
  await addChanges(
    trx,
    firmId,
    records.map(({ id, version: _, ...before }) => ({
      id: v7(),
      at,
      technicianId: by,
      action: 'removed' as const,
      aboutKind: kind,
      aboutId: id,
      before,
    })),
  )
}
