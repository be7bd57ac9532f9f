import type { SubjectKind } from '../core/ledger/subject.ts'
import type { Trx } from './database.ts'
import { letRest } from './subjects.ts'

/** Records that can be removed, where nothing hangs on them: what was written about them stays in the ledger. */
const removableKinds = ['customer', 'supply', 'site', 'softener', 'machine', 'instrument'] as const
export type RemovableKind = (typeof removableKinds)[number]

/** Takes a record away, and what was reckoned of it. Its subject stays, for its entries. */
export async function removeKept(trx: Trx, kind: RemovableKind, ids: string[]): Promise<void> {
  if (ids.length === 0) return
  await trx('standing').whereIn('subject_id', ids).delete()
  await trx('past').whereIn('subject_id', ids).delete()
  await trx(kind).whereIn('id', ids).delete()
  await letRest(trx, ids)
}

export interface RemovedSubject {
  id: string
  kind: SubjectKind
}

/** Subjects whose record was removed. */
export async function removedSubjects(trx: Trx): Promise<RemovedSubject[]> {
  const { rows } = await trx.raw(
    `select u.id, u.kind from subject u
     where ${removableKinds.map((kind) => `not exists (select from ${kind} r where r.id = u.id and u.kind = '${kind}')`).join(' and ')}
       and u.kind <> 'firm'
     order by u.id`,
  )
  return rows
}

/** Subjects of another place whose record had been removed there. */
export async function insertRemoved(trx: Trx, firmId: string, removed: RemovedSubject[]): Promise<void> {
  for (let i = 0; i < removed.length; i += 1000)
    await trx('subject').insert(removed.slice(i, i + 1000).map(({ id, kind }) => ({ firm_id: firmId, id, kind })))
}
