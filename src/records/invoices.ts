import type { Invoice } from '../core/invoices/invoice.ts'
import type { LocalDay } from '../core/quantity/local-day.ts'
import type { Trx } from './database.ts'

/** An invoice or a credit note as it was issued. */
export interface IssuedInvoice {
  id: string
  series: string
  n: number
  visitId: string
  siteId: string
  customerId: string
  /** The closing it was drawn from. */
  closedId: string
  issuedAt: string
  issuedBy: string
  document: Invoice
  /** Of a credit note: which invoice it takes back. */
  cancels?: string
}

/** The next number of a series. Whoever asks meanwhile waits; what is not written after all leaves no gap. */
export async function nextInSeries(trx: Trx, firmId: string, series: string): Promise<number> {
  const { rows } = await trx.raw(
    `insert into invoice_series (firm_id, series, last) values (?, ?, 1)
     on conflict (firm_id, series) do update set last = invoice_series.last + 1
     returning last`,
    [firmId, series],
  )
  return rows[0].last
}

/** How far a series has come; 0 where it has not begun. */
export async function lastInSeries(trx: Trx, series: string): Promise<number> {
  const row = await trx('invoice_series').where({ series }).first('last')
  return row?.last ?? 0
}

export async function insertInvoice(trx: Trx, firmId: string, invoice: IssuedInvoice): Promise<void> {
  const { document } = invoice
  await trx('invoice').insert({
    firm_id: firmId,
    id: invoice.id,
    kind: document.kind,
    series: invoice.series,
    n: invoice.n,
    number: document.number,
    visit_id: invoice.visitId,
    site_id: invoice.siteId,
    customer_id: invoice.customerId,
    closed_id: invoice.closedId,
    issued_on: document.issuedOn,
    issued_at: invoice.issuedAt,
    issued_by: invoice.issuedBy,
    document: JSON.stringify(document),
    cancels: invoice.cancels ?? null,
  })
}

/** Invoices of another place, in the order they were issued: their series go on where they were. */
export async function insertInvoices(trx: Trx, firmId: string, invoices: IssuedInvoice[]): Promise<void> {
  for (const invoice of invoices) await insertInvoice(trx, firmId, invoice)
  const last = new Map<string, number>()
  for (const { series, n } of invoices) last.set(series, Math.max(n, last.get(series) ?? 0))
  for (const [series, n] of last) await trx('invoice_series').insert({ firm_id: firmId, series, last: n })
}

export async function invoiceById(trx: Trx, id: string): Promise<IssuedInvoice | null> {
  const row = await trx('invoice').where({ id }).first()
  return row ? toInvoice(row) : null
}

/** Of one moment, what is taken back before what takes it back. */
const asIssued = 'issued_at, cancels is not null, id'

/** What was issued for a visit, the first first. */
export async function invoicesOfVisit(trx: Trx, visitId: string): Promise<IssuedInvoice[]> {
  const rows = await trx('invoice').where({ visit_id: visitId }).orderByRaw(asIssued)
  return rows.map(toInvoice)
}

export type InvoiceCursor = [at: string, id: string]

/** What was issued, the latest first, each with the number that takes it back, where one does. */
export async function invoicesListed(
  trx: Trx,
  { after, limit, from, to }: { after: InvoiceCursor | null; limit: number; from?: LocalDay; to?: LocalDay },
): Promise<(IssuedInvoice & { cancelledBy?: string })[]> {
  const query = trx('invoice as i')
    .leftJoin('invoice as c', (on) => on.on('c.firm_id', 'i.firm_id').andOn('c.cancels', 'i.id'))
    .select('i.*', 'c.number as cancelled_by')
    .orderBy([
      { column: 'i.issued_at', order: 'desc' },
      { column: 'i.id', order: 'desc' },
    ])
    .limit(limit)
  if (after) query.whereRaw('(i.issued_at, i.id) < (?::timestamptz, ?::uuid)', after)
  if (from) query.where('i.issued_on', '>=', from)
  if (to) query.where('i.issued_on', '<=', to)
  const rows = await query
  return rows.map((row) => ({ ...toInvoice(row), ...(row.cancelled_by && { cancelledBy: row.cancelled_by }) }))
}

/** Everything that was issued, in the order it was: for a file of everything. */
export async function allInvoices(trx: Trx): Promise<IssuedInvoice[]> {
  const rows = await trx('invoice').orderByRaw(asIssued)
  return rows.map(toInvoice)
}

// biome-ignore lint/suspicious/noExplicitAny: a row as the driver gives it
const toInvoice = (row: any): IssuedInvoice => ({
  id: row.id,
  series: row.series,
  n: row.n,
  visitId: row.visit_id,
  siteId: row.site_id,
  customerId: row.customer_id,
  closedId: row.closed_id,
  issuedAt: row.issued_at.toISOString(),
  issuedBy: row.issued_by,
  document: row.document,
  ...(row.cancels && { cancels: row.cancels }),
})
