import { draftInvoice } from '../../core/invoices/draft.ts'
import { notReady } from '../../core/invoices/not-ready.ts'
import { numberOf, seriesOn, usualSeries } from '../../core/invoices/number.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { invoicesOfVisit, lastInSeries } from '../../records/invoices.ts'
import type { VisitInvoices } from '../../views/invoice-page.ts'
import { papersBeside } from '../papers/papers-beside.ts'
import { billedVisit } from './billed.ts'
import { fileLacks } from './invoice-files.ts'
import { rowOf } from './list.ts'

/**
 * The invoice of a closed visit as it would be issued today, and what was issued for it.
 * @returns null where this firm has no such visit, or it is not closed
 */
export async function visitInvoices(
  db: Db,
  firmId: string,
  { visitId, payerId, today }: { visitId: string; payerId?: string; today: LocalDay },
): Promise<VisitInvoices | null> {
  return lookIn(db, firmId, async (trx) => {
    const billed = await billedVisit(trx, visitId, payerId)
    if (!billed) return null
    const issued = await invoicesOfVisit(trx, visitId)
    const { closed, invoicing, taxTold } = billed
    const draft = draftInvoice(billed, today)
    const series = seriesOn(invoicing?.invoiceSeries || usualSeries.invoice, today)
    const back = new Map(issued.flatMap(({ cancels, document }) => (cancels ? [[cancels, document.number]] : [])))
    return {
      visitId,
      siteId: billed.siteId,
      site: billed.place.name,
      firmId,
      customerId: billed.customerId,
      timeZone: billed.timeZone,
      draft,
      notReady: notReady(draft),
      fileLacks: fileLacks(draft),
      mayPay: billed.mayPay,
      nextNumber: numberOf(series, (await lastInSeries(trx, series)) + 1),
      issued: issued.map((one) => ({
        ...rowOf({ ...one, ...(back.has(one.id) && { cancelledBy: back.get(one.id)! }) }),
        document: one.document,
        isOfFormerClosing: one.closedId !== closed.id,
      })),
      besides: await papersBeside(trx, {
        siteId: billed.siteId,
        visitId,
        on: draft.deliveredOn,
      }),
      reportByMail: billed.closed.body.reportByMail ?? false,
      set: { invoicing, taxTold },
      unpriced: closed.body.lines
        .filter(({ pays, priceMinor }) => pays === 'customer' && priceMinor === null)
        .map(({ name }) => name),
    }
  })
}
