import type { RecordedEntry } from '../core/ledger/entry.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'
import { toEntry } from './ledger.ts'

export interface VisitFilter {
  siteId?: string
  machineId?: string
  technicianId?: string
  visitId?: string
}

export type VisitCursor = [on: string, id: string]

/**
 * Headers of visits that count, the latest first: those no later entry corrects or withdraws.
 */
export async function visitHeaders(
  trx: Trx,
  filter: VisitFilter,
  after: VisitCursor | null,
  limit: number,
): Promise<RecordedEntry[]> {
  const query = trx('entry as e')
    .where('e.kind', 'visit')
    .whereRaw('not exists (select from entry c where c.firm_id = e.firm_id and c.supersedes = e.id)')
    .orderBy([
      { column: 'e.happened_on', order: 'desc' },
      { column: 'e.id', order: 'desc' },
    ])
    .limit(limit)
  if (filter.siteId) query.where('e.subject_id', filter.siteId)
  if (filter.visitId) query.where('e.visit_id', filter.visitId)
  if (filter.technicianId) query.whereRaw(`(e.body ->> 'technicianIds') like ?`, [`%${filter.technicianId}%`])
  if (filter.machineId)
    query.whereRaw(
      `exists (select from entry m where m.firm_id = e.firm_id and m.visit_id = e.visit_id and m.subject_id = ?)`,
      [filter.machineId],
    )
  if (after) query.whereRaw('(e.happened_on, e.id) < (?::date, ?::uuid)', after)
  return (await query).map(toEntry)
}

/** Headers of what counts at a customer's places: those no later entry corrects or withdraws. */
const atCustomer = (trx: Trx, customerId: string) =>
  trx('entry as e')
    .join('site as s', (on) => on.on('s.firm_id', 'e.firm_id').andOn('s.id', 'e.subject_id'))
    .where({ 'e.kind': 'visit', 's.customer_id': customerId })
    .whereRaw('not exists (select from entry c where c.firm_id = e.firm_id and c.supersedes = e.id)')

/** Visits to a customer's places on a day, by the place's name. */
export async function visitsOfCustomer(
  trx: Trx,
  customerId: string,
  on: LocalDay,
  limit: number,
): Promise<{ visitId: string; siteId: string; site: string }[]> {
  return atCustomer(trx, customerId)
    .where('e.happened_on', on)
    .whereNotNull('e.visit_id')
    .select({ visitId: 'e.visit_id', siteId: 's.id', site: 's.name' })
    .orderBy(['s.name', 'e.id'])
    .limit(limit)
}

/** The last days somebody was at a customer's places, the latest first. */
export async function customerDays(trx: Trx, customerId: string, limit: number): Promise<LocalDay[]> {
  const rows = await atCustomer(trx, customerId)
    .distinct(trx.raw('e.happened_on::text as day'))
    .orderBy('day', 'desc')
    .limit(limit)
  return rows.map(({ day }) => day)
}

/** Everything written on some visits, in any order. */
export async function entriesOfVisits(trx: Trx, visitIds: string[]): Promise<RecordedEntry[]> {
  return (await trx('entry').whereRaw('visit_id = any(?)', [visitIds])).map(toEntry)
}

/** Faults and repairs of some machines, with what corrects them: what a repair's return is told from. */
export async function troublesOf(trx: Trx, machineIds: string[]): Promise<RecordedEntry[]> {
  const rows = await trx('entry')
    .whereRaw('subject_id = any(?)', [machineIds])
    .where((query) => query.whereIn('kind', ['repaired', 'fault-reported', 'withdrawn']).orWhereNotNull('supersedes'))
  return rows.map(toEntry)
}
