import { may } from '../../core/firm/rights.ts'
import { creditNoteOf, draftInvoice } from '../../core/invoices/draft.ts'
import type { Invoice } from '../../core/invoices/invoice.ts'
import { notReady } from '../../core/invoices/not-ready.ts'
import { numberOf, seriesOn, usualSeries } from '../../core/invoices/number.ts'
import { dayAt } from '../../core/quantity/site-time.ts'
import { effective, nearestSetting } from '../../core/standing/histories.ts'
import { type Db, type Trx, withFirm } from '../../records/database.ts'
import { theFirm } from '../../records/firms.ts'
import {
  type IssuedInvoice,
  insertInvoice,
  invoiceById,
  invoicesOfVisit,
  nextInSeries,
} from '../../records/invoices.ts'
import { entriesOfKinds } from '../../records/ledger.ts'
import { type Answer, ownerOnly, refusal } from '../answer.ts'
import type { Actor } from '../judge-entry.ts'
import { billedVisit } from './billed.ts'

type Issued = Answer<{ id: string; number: string }>

/**
 * Issues the invoice of a closed visit under the next number. Asked twice by one id it is issued once.
 *
 * @param payerId - whom it is written to, where somebody chose
 */
export async function issueInvoice(
  db: Db,
  actor: Actor,
  { id, visitId, payerId }: { id: string; visitId: string; payerId?: string },
  now: Date,
): Promise<Issued> {
  if (!may(actor.role, 'bill')) return ownerOnly
  return withFirm(db, actor.firmId, async (trx): Promise<Issued> => {
    const there = await invoiceById(trx, id)
    if (there) return again(there, visitId)
    const billed = await billedVisit(trx, visitId, payerId)
    if (!billed) return refusal(404, 'visitId', 'unknown', 'is no closed visit')
    const draft = draftInvoice(billed, await todayOf(trx, now))
    const issues = notReady(draft)
    if (issues.length > 0)
      return { ok: false, status: 422, issues: issues.map(({ code, words }) => ({ path: '', code, message: words })) }
    const given = await numbered(trx, actor.firmId, draft, billed.invoicing?.invoiceSeries)
    // The series is locked now: who issued for the same visit meanwhile is seen, and this number goes back.
    const standing = (await standingOf(trx, visitId))?.document.number
    if (standing) throw new Standing(standing)
    await insertInvoice(trx, actor.firmId, {
      id,
      ...given,
      visitId,
      siteId: billed.siteId,
      customerId: billed.customerId,
      closedId: billed.closed.id,
      issuedAt: now.toISOString(),
      issuedBy: actor.technicianId,
    })
    return { ok: true, id, number: given.document.number }
  }).catch(standsAlready)
}

/** Takes an invoice back by a credit note of its own number. Asked twice by one id it is issued once. */
export async function cancelInvoice(
  db: Db,
  actor: Actor,
  { id, invoiceId, why }: { id: string; invoiceId: string; why: string },
  now: Date,
): Promise<Issued> {
  if (!may(actor.role, 'bill')) return ownerOnly
  return withFirm(db, actor.firmId, async (trx): Promise<Issued> => {
    const invoice = await invoiceById(trx, invoiceId)
    if (invoice?.document.kind !== 'invoice') return refusal(404, 'invoiceId', 'unknown', 'is no invoice')
    const there = await invoiceById(trx, id)
    if (there) return again(there, invoice.visitId)
    const settings = await entriesOfKinds(trx, [actor.firmId], ['setting', 'withdrawn'])
    const series = nearestSetting(effective({ firm: settings }), 'invoicing')?.body.creditSeries
    const draft = creditNoteOf(invoice.document, why, await todayOf(trx, now))
    const given = await numbered(trx, actor.firmId, draft, series)
    const taken = (await invoicesOfVisit(trx, invoice.visitId)).find(({ cancels }) => cancels === invoiceId)
    if (taken) throw new Standing(taken.document.number, 'It was taken back already by')
    await insertInvoice(trx, actor.firmId, {
      id,
      ...given,
      visitId: invoice.visitId,
      siteId: invoice.siteId,
      customerId: invoice.customerId,
      closedId: invoice.closedId,
      issuedAt: now.toISOString(),
      issuedBy: actor.technicianId,
      cancels: invoiceId,
    })
    return { ok: true, id, number: given.document.number }
  }).catch(standsAlready)
}

/** The invoice of a visit that was not taken back; null where there is none. */
async function standingOf(trx: Trx, visitId: string): Promise<IssuedInvoice | null> {
  const issued = await invoicesOfVisit(trx, visitId)
  const back = new Set(issued.map(({ cancels }) => cancels))
  return issued.find(({ id, document }) => document.kind === 'invoice' && !back.has(id)) ?? null
}

/** Thrown, so that the number that was taken goes back with the transaction. */
class Standing extends Error {
  constructor(
    readonly number: string,
    readonly words = 'The visit has an invoice already:',
  ) {
    super('an invoice stands')
  }
}

function standsAlready(error: unknown): Issued {
  if (error instanceof Standing) return refusal(409, '', 'stands', `${error.words} ${error.number}.`)
  throw error
}

const again = (there: IssuedInvoice, visitId: string): Issued =>
  there.visitId === visitId
    ? { ok: true, id: there.id, number: there.document.number }
    : refusal(409, 'id', 'taken', 'is the id of something else')

async function numbered(trx: Trx, firmId: string, draft: Omit<Invoice, 'number'>, pattern: string | undefined) {
  const series = seriesOn(pattern || usualSeries[draft.kind], draft.issuedOn)
  const n = await nextInSeries(trx, firmId, series)
  return { series, n, document: { ...draft, number: numberOf(series, n) } }
}

async function todayOf(trx: Trx, now: Date) {
  const firm = await theFirm(trx)
  return dayAt(firm!.timeZone, now)
}
