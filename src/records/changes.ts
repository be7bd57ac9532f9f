import { canonical } from '../core/ledger/same-body.ts'
import type { Trx } from './database.ts'

/** One thing somebody did to a record, or with the firm's data. */
export interface Change {
  id: string
  at: string
  technicianId: string
  action: ChangeAction
  aboutKind: string
  aboutId?: string
  before?: unknown
  after?: unknown
}

export const changeActions = [
  'added',
  'changed',
  'invited',
  'joined',
  'reset-asked',
  'password-set',
  'session-ended',
  'exported',
  'imported',
  'forgotten',
  'removed',
  'brought-back',
  'taken-back',
  'merged',
] as const
export type ChangeAction = (typeof changeActions)[number]

/** Writes down what was done, in the transaction that does it. */
export const addChange = (trx: Trx, firmId: string, change: Change): Promise<void> => addChanges(trx, firmId, [change])

/** The same for many: a log that is read back. */
export async function addChanges(trx: Trx, firmId: string, list: Change[]): Promise<void> {
  for (let i = 0; i < list.length; i += 1000) {
    await trx('change').insert(
      list.slice(i, i + 1000).map((change) => ({
        firm_id: firmId,
        id: change.id,
        at: change.at,
        technician_id: change.technicianId,
        action: change.action,
        about_kind: change.aboutKind,
        about_id: change.aboutId ?? null,
        before: change.before === undefined ? null : JSON.stringify(change.before),
        after: change.after === undefined ? null : JSON.stringify(change.after),
      })),
    )
  }
}

/** Every change, the oldest first: for a file of everything. */
export async function allChanges(trx: Trx, after: ChangeCursor | null, limit: number): Promise<Change[]> {
  const query = trx('change').orderBy(['at', 'id']).limit(limit)
  if (after) query.whereRaw('(at, id) > (?::timestamptz, ?::uuid)', after)
  return (await query).map(toChange)
}

export type ChangeCursor = [at: string, id: string]

/** One line of the log; null when this firm has none of that id. */
export async function changeById(trx: Trx, id: string): Promise<Change | null> {
  const row = await trx('change').where({ id }).first()
  return row ? toChange(row) : null
}

/**
 * What a record was so many changes ago; null where the log does not say.
 * @param now - as it is, which the last change must have made it
 */
export async function recordBefore(trx: Trx, id: string, changesAgo: number, now: object): Promise<object | null> {
  const rows = await trx('change')
    .where({ about_id: id })
    .whereNotNull('before')
    .whereNotNull('after')
    .orderBy([
      { column: 'at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .limit(changesAgo)
    .select('before', 'after')
  const isWhole = rows.length === changesAgo && canonical(rows[0]?.after) === canonical(now)
  return isWhole ? rows.at(-1).before : null
}

/** Ids of records that were made one with this one: what was said of them was said of it. */
export async function mergedInto(trx: Trx, id: string): Promise<string[]> {
  const rows = await trx('change').where({ action: 'merged', about_id: id }).select(trx.raw(`after ->> 'from' as gone`))
  return rows.map(({ gone }: { gone: string }) => gone)
}

/** Latest first. */
export async function changes(trx: Trx, after: ChangeCursor | null, limit: number): Promise<Change[]> {
  const query = trx('change')
    .orderBy([
      { column: 'at', order: 'desc' },
      { column: 'id', order: 'desc' },
    ])
    .limit(limit)
  if (after) query.whereRaw('(at, id) < (?::timestamptz, ?::uuid)', after)
  return (await query).map(toChange)
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver hands it over
const toChange = (row: any): Change => ({
  id: row.id,
  at: row.at.toISOString(),
  technicianId: row.technician_id,
  action: row.action,
  aboutKind: row.about_kind,
  ...(row.about_id && { aboutId: row.about_id }),
  ...(row.before && { before: row.before }),
  ...(row.after && { after: row.after }),
})
