import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { codeOf } from '../../core/papers/code.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import type { Trx } from '../../records/database.ts'
import { keptById, keptByName } from '../../records/kept.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { entriesOfVisits } from '../../records/visits.ts'
import type { VisitInvoices } from '../../views/invoice-page.ts'

/**
 * Papers of a visit besides its report and its invoices: its quotes as they stand, its test record where it has one, the
 * day's report where the customer has more than this one place.
 */
export async function papersBeside(
  trx: Trx,
  { siteId, visitId, on }: { siteId: string; visitId: string; on: LocalDay },
): Promise<VisitInvoices['besides']> {
  const customerId = (await keptById(trx, 'site', siteId))!.customerId
  const [theirs, site, written] = await Promise.all([
    keptByName(trx, 'site', { words: [], after: null, limit: 2, where: { customer_id: customerId } }),
    entriesOfKinds(trx, [siteId], ['quoted', 'withdrawn']),
    entriesOfVisits(trx, [visitId]),
  ])
  const quotes = effectiveHistory(site)
    .entries.filter(isKind('quoted'))
    .filter((entry) => entry.visitId === visitId)
  const isTested = written.some(({ kind }) => kind === 'tested-out' || kind === 'certified')
  return [
    ...(isTested
      ? [{ id: 'tests', name: 'Test-out and electrical safety', href: `/api/visits/${visitId}/tests.pdf` }]
      : []),
    ...(theirs.length > 1
      ? [
          {
            id: `day ${on}`,
            name: 'Day’s report, all their places',
            href: `/api/customers/${customerId}/day.pdf?on=${on}`,
          },
        ]
      : []),
    ...quotes.map(({ id, body }) => ({
      id: `quote ${id}`,
      name: `Quote ${codeOf(body.quote)}`,
      href: `/api/visits/${visitId}/quotes/${id}.pdf`,
    })),
  ]
}
