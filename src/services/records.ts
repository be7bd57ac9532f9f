import type { RecordKind } from '../core/firm/records.ts'
import type { RecordedEntry } from '../core/ledger/entry.ts'
import { type Db, lookIn, type Trx } from '../records/database.ts'
import { heldBySites, sitesOf } from '../records/holdings.ts'
import { allKept, type KeptRecord, keptById, keptByName } from '../records/kept.ts'
import { entriesOf } from '../records/ledger.ts'
import { words } from '../records/round.ts'
import type { Holding, RecordPage } from '../views/record-page.ts'
import { isUuid, readCursor, writeCursor } from './cursor.ts'

/** Kinds with lists of their own; machines have their own page, the firm is one. */
const listed = ['customer', 'supply', 'site', 'softener', 'instrument', 'technician'] as const
type ListedKind = (typeof listed)[number]
export const isListed = (kind: string): kind is ListedKind => listed.includes(kind as ListedKind)

const pageSize = 100

/** One page of records of a kind, by name. */
export async function recordPage<K extends ListedKind>(
  db: Db,
  firmId: string,
  kind: K,
  filter: { text?: string; cursor?: string; siteId?: string; customerId?: string; supplyId?: string },
  size = pageSize,
): Promise<RecordPage<K>> {
  const where = {
    ...(kind === 'softener' && filter.siteId && isUuid(filter.siteId) && { site_id: filter.siteId }),
    ...(kind === 'site' && filter.customerId && isUuid(filter.customerId) && { customer_id: filter.customerId }),
    ...(kind === 'site' && filter.supplyId && isUuid(filter.supplyId) && { supply_id: filter.supplyId }),
  }
  const { rows, held } = await lookIn(db, firmId, async (trx) => {
    const rows = await keptByName(trx, kind, {
      words: words(filter.text),
      after: readCursor<[string, string]>(filter.cursor, ['text', 'uuid']),
      limit: size + 1,
      where,
    })
    return {
      rows,
      held: await heldBy(
        trx,
        kind,
        rows.map(({ id }) => id),
      ),
    }
  })
  const page = rows.slice(0, size)
  const last = page.at(-1) as (KeptRecord & { name: string }) | undefined
  return {
    rows: page.map((row) => ({ ...row, holds: held?.get(row.id) ?? {} })),
    ...(rows.length > size && last && { next: writeCursor([last.name, last.id]) }),
  }
}

/** What hangs on each; null for kinds nothing hangs on. */
async function heldBy(trx: Trx, kind: ListedKind, ids: string[]): Promise<Map<string, Holding> | null> {
  if (kind === 'site') return heldBySites(trx, ids)
  if (kind === 'customer') return sitesOf(trx, 'customer_id', ids)
  return kind === 'supply' ? sitesOf(trx, 'supply_id', ids) : null
}

/** One record with its version; null when this firm has none. */
export const recordById = <K extends RecordKind>(
  db: Db,
  firmId: string,
  kind: K,
  id: string,
): Promise<KeptRecord<K> | null> => lookIn(db, firmId, (trx) => keptById(trx, kind, id))

/** Everything the ledger holds about one subject. */
export const ledgerOf = (db: Db, firmId: string, subjectId: string): Promise<RecordedEntry[]> =>
  lookIn(db, firmId, (trx) => entriesOf(trx, [subjectId]))

/** Every instrument with its calibrations, those in use first. */
export async function instrumentsWithLedgers(db: Db, firmId: string) {
  return lookIn(db, firmId, async (trx) => {
    const instruments = await allKept(trx, 'instrument')
    const entries = await entriesOf(
      trx,
      instruments.map(({ id }) => id),
    )
    return instruments
      .map((one) => ({ ...one, ledger: entries.filter((entry) => entry.subjectId === one.id) }))
      .sort((a, b) => Number(Boolean(a.retiredOn)) - Number(Boolean(b.retiredOn)) || (a.name < b.name ? -1 : 1))
  })
}
