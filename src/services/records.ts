import type { RecordKind } from '../core/firm/records.ts'
import { type Db, withFirm } from '../records/database.ts'
import { type KeptRecord, keptById, keptByName } from '../records/kept.ts'
import { words } from '../records/round.ts'
import type { RecordPage } from '../views/record-page.ts'
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
  filter: { text?: string; cursor?: string; siteId?: string; customerId?: string },
  size = pageSize,
): Promise<RecordPage<K>> {
  const where = {
    ...(kind === 'softener' && filter.siteId && isUuid(filter.siteId) && { site_id: filter.siteId }),
    ...(kind === 'site' && filter.customerId && isUuid(filter.customerId) && { customer_id: filter.customerId }),
  }
  const rows = await withFirm(db, firmId, (trx) =>
    keptByName(trx, kind, {
      words: words(filter.text),
      after: readCursor<[string, string]>(filter.cursor, ['text', 'uuid']),
      limit: size + 1,
      where,
    }),
  )
  const page = rows.slice(0, size)
  const last = page.at(-1) as (KeptRecord & { name: string }) | undefined
  return { rows: page, ...(rows.length > size && last && { next: writeCursor([last.name, last.id]) }) }
}

/** One record with its version; null when this firm has none. */
export const recordById = <K extends RecordKind>(
  db: Db,
  firmId: string,
  kind: K,
  id: string,
): Promise<KeptRecord<K> | null> => withFirm(db, firmId, (trx) => keptById(trx, kind, id))
