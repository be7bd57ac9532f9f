import { effectiveHistory } from '../../core/ledger/effective-history.ts'
import { isKind } from '../../core/ledger/is-kind.ts'
import { codeOf } from '../../core/papers/code.ts'
import type { Trx } from '../../records/database.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { entriesOfVisits } from '../../records/visits.ts'
import type { VisitInvoices } from '../../views/invoice-page.ts'

/** Papers of a visit besides its report and its invoices: its quotes as they stand, and its test record where it has one. */
export async function papersBeside(trx: Trx, siteId: string, visitId: string): Promise<VisitInvoices['besides']> {
  const [site, written] = await Promise.all([
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
    ...quotes.map(({ id, body }) => ({
      id: `quote ${id}`,
      name: `Quote ${codeOf(body.quote)}`,
      href: `/api/visits/${visitId}/quotes/${id}.pdf`,
    })),
  ]
}
