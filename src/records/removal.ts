import type { Kept } from '../core/firm/records.ts'
import type { SubjectKind } from '../core/ledger/subject.ts'
import type { Trx } from './database.ts'
import { insertKeptRow } from './kept.ts'
import { letRest } from './subjects.ts'

/** Records that can be removed, where nothing hangs on them: what was written about them stays in the ledger. */
export const removableKinds = ['customer', 'supply', 'site', 'softener', 'machine', 'instrument'] as const
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

/** Whether there is, or once was, such a thing in this firm. */
export const isSubject = async (trx: Trx, kind: RemovableKind, id: string): Promise<boolean> =>
  Boolean(await trx('subject').where({ id, kind }).first('id'))

/** A removed record, there again: its subject never went. */
export const bringBackKept = <K extends RemovableKind>(
  trx: Trx,
  firmId: string,
  kind: K,
  id: string,
  record: Kept<K>,
): Promise<void> => insertKeptRow(trx, firmId, kind, id, record)

/**
 * What hangs on a record, in words: others that point at it, and entries about it. What was written as it was entered
 * does not hang on it: that it was taken on, what is known of its ages, its settings.
 *
 * @example await hangingOnRecord(trx, 'site', id) // ['2 machines', '3 entries']
 */
export async function hangingOnRecord(trx: Trx, kind: RemovableKind, id: string): Promise<string[]> {
  const { rows } = await trx.raw(
    `select
       (select count(*) from site s where s.customer_id = :id or s.supply_id = :id)::int as sites,
       (select count(*) from machine m where :id in (m.site_id, m.softener_id, m.owner_id, m.payer_id))::int as machines,
       (select count(*) from softener f where f.site_id = :id)::int as softeners,
       (select count(*) from entry e where e.subject_id = :id
          and e.kind not in ('commissioned', 'taken-over', 'setting', 'withdrawn')
          and not exists (select from entry w where w.firm_id = e.firm_id and w.supersedes = e.id))::int as entries,
       (select case when :kind in ('instrument', 'site', 'softener')
          then (select count(*) from entry e where e.subject_id <> :id and e.body::text like '%' || :id || '%') else 0 end)::int
         as naming`,
    { id, kind },
  )
  const { sites, machines, softeners, entries, naming } = rows[0]
  const words: [number, string, string][] = [
    [sites, 'site', 'sites'],
    [machines, 'machine', 'machines'],
    [softeners, 'softener', 'softeners'],
    [entries + naming, 'entry', 'entries'],
  ]
  return words.filter(([n]) => n > 0).map(([n, one, many]) => `${n} ${n === 1 ? one : many}`)
}
