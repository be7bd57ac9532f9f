import type { SubjectKind } from '../core/ledger/subject.ts'
import { reckoningVersion } from '../core/standing/standing.ts'
import type { Trx } from './database.ts'

export interface Subject {
  id: string
  kind: SubjectKind
}

/** A machine or softener and the ids its reckoning reads. */
export interface Reckoned {
  kind: 'machine' | 'softener'
  id: string
  siteId: string
  customerId: string
  supplyId: string
  softenerId: string | null
}

/** Locks subjects' rows in id order, so that two writers never wait for each other in a circle. */
export async function lockSubjects(trx: Trx, ids: string[]): Promise<Map<string, Subject>> {
  const rows = await trx('subject')
    .whereIn('id', [...new Set(ids)])
    .orderBy('id')
    .forUpdate()
  return new Map(rows.map((row) => [row.id, { id: row.id, kind: row.kind }]))
}

/** What must be reckoned anew when an entry about a subject is written. */
export async function reckonedBy(trx: Trx, subject: Subject): Promise<Reckoned[]> {
  switch (subject.kind) {
    case 'machine': {
      const machines = await machineRows(trx, (query) => query.where('m.id', subject.id))
      const softeners = machines.flatMap((machine) => machine.softenerId ?? [])
      return [...machines, ...(await softenerRows(trx, (query) => query.whereIn('f.id', softeners)))]
    }
    case 'softener':
      return [
        ...(await softenerRows(trx, (query) => query.where('f.id', subject.id))),
        ...(await machineRows(trx, (query) => query.where('m.softener_id', subject.id))),
      ]
    case 'site':
      return under(trx, 's.id', subject.id)
    case 'supply':
      return under(trx, 's.supply_id', subject.id)
    case 'customer':
      return under(trx, 's.customer_id', subject.id)
    // No reckoning reads an instrument yet: it says how far a figure is to be trusted.
    case 'instrument':
      return []
    case 'firm':
      return under(trx, 's.firm_id', subject.id)
  }
}

/** Machines behind a softener, with the ids their reckoning reads. */
export const fedBy = (trx: Trx, softenerIds: string[]): Promise<Reckoned[]> =>
  machineRows(trx, (query) => query.whereIn('m.softener_id', softenerIds))

/** Machines and softeners that wait to be reckoned: marked stale, or reckoned by an older version. */
export async function toReckon(trx: Trx, limit: number): Promise<Subject[]> {
  const rows = await trx('subject')
    .whereIn('kind', ['machine', 'softener'])
    .where((query) => query.where({ stale: true }).orWhere('reckoning_version', '<', reckoningVersion))
    .orderBy('id')
    .limit(limit)
    .forUpdate()
    .skipLocked()
  return rows.map((row) => ({ id: row.id, kind: row.kind }))
}

export async function markStale(trx: Trx, ids: string[]): Promise<void> {
  await trx('subject').whereIn('id', ids).update({ stale: true })
}

export async function countStale(trx: Trx): Promise<number> {
  const row = await trx('subject')
    .whereIn('kind', ['machine', 'softener'])
    .where((query) => query.where({ stale: true }).orWhere('reckoning_version', '<', reckoningVersion))
    .count({ n: '*' })
    .first()
  return Number(row?.n ?? 0)
}

type Narrow = (query: ReturnType<Trx>) => unknown

async function under(trx: Trx, column: string, id: string): Promise<Reckoned[]> {
  return [
    ...(await machineRows(trx, (query) => query.where(column, id))),
    ...(await softenerRows(trx, (query) => query.where(column, id))),
  ]
}

async function machineRows(trx: Trx, narrow: Narrow): Promise<Reckoned[]> {
  const query = trx('machine as m')
    .join('site as s', (on) => on.on('s.firm_id', 'm.firm_id').andOn('s.id', 'm.site_id'))
    .select('m.id', 'm.site_id', 'm.softener_id', 's.customer_id', 's.supply_id')
    .orderBy('m.id')
  narrow(query)
  return (await query).map((row) => toReckoned('machine', row))
}

async function softenerRows(trx: Trx, narrow: Narrow): Promise<Reckoned[]> {
  const query = trx('softener as f')
    .join('site as s', (on) => on.on('s.firm_id', 'f.firm_id').andOn('s.id', 'f.site_id'))
    .select('f.id', 'f.site_id', 's.customer_id', 's.supply_id')
    .orderBy('f.id')
  narrow(query)
  return (await query).map((row) => toReckoned('softener', row))
}

const toReckoned = (kind: Reckoned['kind'], row: Record<string, string | null>): Reckoned => ({
  kind,
  id: row.id!,
  siteId: row.site_id!,
  customerId: row.customer_id!,
  supplyId: row.supply_id!,
  softenerId: row.softener_id ?? null,
})
