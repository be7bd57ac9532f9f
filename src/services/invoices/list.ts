import Papa from 'papaparse'
import { decimalOf } from '../../core/money/minor.ts'
import type { LocalDay } from '../../core/quantity/local-day.ts'
import { type Db, lookIn } from '../../records/database.ts'
import { type InvoiceCursor, type IssuedInvoice, invoiceById, invoicesListed } from '../../records/invoices.ts'
import type { InvoiceListPage, InvoiceRow } from '../../views/invoice-page.ts'
import { readCursor, writeCursor } from '../cursor.ts'

const pageSize = 50

/** One page of what was issued, the latest first. */
export async function invoiceList(db: Db, firmId: string, cursor?: string): Promise<InvoiceListPage> {
  const after = readCursor<InvoiceCursor>(cursor, ['instant', 'uuid'])
  const found = await lookIn(db, firmId, (trx) => invoicesListed(trx, { after, limit: pageSize + 1 }))
  const page = found.slice(0, pageSize)
  const last = page.at(-1)
  return {
    rows: page.map(rowOf),
    ...(found.length > pageSize && last && { next: writeCursor([last.issuedAt, last.id]) }),
  }
}

/** One that was issued; null where this firm has none of that id. */
export const issuedInvoice = (db: Db, firmId: string, id: string): Promise<IssuedInvoice | null> =>
  lookIn(db, firmId, (trx) => invoiceById(trx, id))

export function rowOf(one: IssuedInvoice & { cancelledBy?: string }): InvoiceRow {
  const { document: of } = one
  return {
    id: one.id,
    number: of.number,
    kind: of.kind,
    issuedOn: of.issuedOn,
    dueOn: of.dueOn,
    visitId: one.visitId,
    buyer: of.buyer.name,
    place: of.place.name,
    currency: of.currency,
    netMinor: of.totals.netMinor,
    payableMinor: of.totals.payableMinor,
    ...(one.cancelledBy && { cancelledBy: one.cancelledBy }),
    ...(of.cancels && { cancels: of.cancels.number }),
  }
}

/** No file has more than a firm of many issues in years. */
const mostRows = 100_000

const columns = [
  'number',
  'kind',
  'issued',
  'due',
  'work done on',
  'customer',
  'customer tax number',
  'place',
  'order number',
  'currency',
  'before tax',
  'tax %',
  'tax',
  'with tax',
  'rounding',
  'to pay',
  'takes back',
  'taken back by',
] as const

/**
 * What was issued in a stretch of days, for whoever keeps the books: a line each, oldest first; sums as decimals with a
 * point, those of credit notes below nought, so that a column adds up to what is owed.
 */
export async function invoicesCsv(
  db: Db,
  firmId: string,
  { from, to }: { from?: LocalDay; to?: LocalDay },
): Promise<string> {
  const found = await lookIn(db, firmId, (trx) =>
    invoicesListed(trx, { after: null, limit: mostRows, ...(from && { from }), ...(to && { to }) }),
  )
  const rows = found.reverse().map(({ document: of, cancelledBy = '' }) => {
    const { totals, currency, kind } = of
    const sum = (minor: number) => decimalOf(kind === 'credit-note' ? -minor : minor, currency)
    return [
      of.number,
      kind === 'invoice' ? 'invoice' : 'credit note',
      of.issuedOn,
      of.dueOn,
      of.deliveredOn,
      plainText(of.buyer.name),
      plainText(of.buyer.taxNumber ?? ''),
      plainText(of.place.name),
      plainText(of.orderNumber ?? ''),
      currency,
      sum(totals.netMinor),
      totals.taxes.map(({ taxBp }) => taxBp / 100).join(' + '),
      sum(totals.taxMinor),
      sum(totals.grossMinor),
      sum(totals.roundingMinor),
      sum(totals.payableMinor),
      of.cancels?.number ?? '',
      cancelledBy,
    ]
  })
  return `${Papa.unparse([[...columns], ...rows])}\r\n`
}

/** A text that a spreadsheet would run as a formula is made plain; sums below nought stay figures. */
const plainText = (text: string): string => (/^[=+\-@\t\r]/.test(text) ? `'${text}` : text)
