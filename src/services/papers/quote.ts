import type { EntryOf } from '../../core/ledger/entry.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { codeOf } from '../../core/papers/code.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { keptById, keptByIds } from '../../records/kept.ts'
import { entriesHeld } from '../../records/ledger.ts'
import type { Letterhead } from './letterhead.ts'
import { letterheadOf } from './letterhead-of.ts'

/** All that stands on a quote. */
export interface QuotePaper {
  code: string
  site: { name: string; area: string; customer: string }
  /** Names of the machines it is about. */
  machines: Map<string, string>
  letterhead: Letterhead
  quoted: EntryOf<'quoted'>
}

/**
 * A quote as it was put to the customer, with the answer it had by the entry that is asked for.
 *
 * @returns null where this firm has no such quote of that visit, or at that place
 */
export async function quoteOf(
  db: Db,
  firmId: string,
  { of, entryId }: { of: { visitId: string } | { siteId: string }; entryId: string },
): Promise<QuotePaper | null> {
  const found = await lookIn(db, firmId, async (trx) => {
    const [entry] = await entriesHeld(trx, [entryId])
    if (!entry || !isKind('quoted')(entry)) return null
    if ('visitId' in of ? entry.visitId !== of.visitId : entry.subjectId !== of.siteId) return null
    const site = await keptById(trx, 'site', entry.subjectId)
    if (!site) return null
    const ids = [...new Set(entry.body.items.map(({ subjectId }) => subjectId))]
    const [customer, machines] = await Promise.all([
      keptById(trx, 'customer', site.customerId),
      keptByIds(trx, 'machine', ids),
    ])
    return {
      code: codeOf(entry.body.quote),
      site: { name: site.name, area: site.area, customer: customer?.name ?? '' },
      machines: new Map(machines.map(({ id, name }) => [id, name])),
      quoted: entry,
    }
  })
  return found && { ...found, letterhead: await letterheadOf(db, firmId) }
}
