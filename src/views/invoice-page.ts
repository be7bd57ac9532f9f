import type { Invoice } from '../core/invoices/invoice.ts'
import type { NotReady } from '../core/invoices/not-ready.ts'
import type { Setting } from '../core/ledger/setting-kinds.ts'

/** One that was issued, in a list. */
export interface InvoiceRow {
  id: string
  number: string
  kind: Invoice['kind']
  issuedOn: string
  dueOn: string
  visitId: string
  buyer: string
  place: string
  currency: string
  netMinor: number
  payableMinor: number
  /** The number of the credit note that takes it back. */
  cancelledBy?: string
  /** Of a credit note: what it takes back. */
  cancels?: string
}

export interface InvoiceListPage {
  rows: InvoiceRow[]
  next?: string
}

/** The invoice of a closed visit: as it would be issued now, and what was issued already. */
export interface VisitInvoices {
  visitId: string
  siteId: string
  site: string
  firmId: string
  customerId: string
  timeZone: string
  draft: Omit<Invoice, 'number'>
  notReady: NotReady[]
  /** What the file for programs lacks; the paper does without. */
  fileLacks: string[]
  mayPay: { id: string; name: string }[]
  /** The number it would get now. */
  nextNumber: string
  issued: (InvoiceRow & { document: Invoice; isOfFormerClosing: boolean })[]
  /** What is set now, to be changed in place. */
  set: {
    invoicing: Setting<'invoicing'> | null
    taxTold: Setting<'tax-told'> | null
  }
  /** Papers of the visit besides its report and its invoices: what they are asked for by, called, and where they open. */
  besides: { id: string; name: string; href: string }[]
  /** Lines of the visit that nobody gave a price: they are in no invoice. */
  unpriced: string[]
  /** It was asked for at closing that the report goes out by e-mail. */
  reportByMail: boolean
}
