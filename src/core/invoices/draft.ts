import { type ChargeLine, comesTo } from '../close-out/charge-line.ts'
import type { billingFields } from '../firm/billing-fields.ts'
import type { Kept } from '../firm/records.ts'
import type { EntryOf } from '../ledger/entry.ts'
import type { Setting } from '../ledger/setting-kinds.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import { ibanOf } from './account.ts'
import { type Invoice, type InvoiceLine, invoiceTotals } from './invoice.ts'
import type { Party } from './party.ts'
import { type TaxOnLine, taxOn } from './tax.ts'

/** Days until it is to be paid, where the firm said none. Common practice, no source. */
const usualDueDays = 14

/** Whom an invoice is written to: what is kept of them. */
export type BilledCustomer = Pick<Kept<'customer'>, 'name' | 'email' | 'orderNumber' | (typeof billingFields)[number]>

/** What an invoice is drawn from. */
export interface Billed {
  closed: EntryOf<'visit-closed'>
  /** Of its service report. */
  reportNumber: string
  firmName: string
  invoicing: Setting<'invoicing'> | null
  letterhead: Setting<'letterhead'> | null
  taxName: string | undefined
  customer: BilledCustomer
  taxTold: Setting<'tax-told'> | null
  place: { name: string; area: string }
}

/**
 * The invoice of a closed visit, but for its number: whom, what for, what it comes to. It has the lines that the customer
 * pays, as the visit was closed with them.
 */
export function draftInvoice(billed: Billed, today: LocalDay): Omit<Invoice, 'number'> {
  const { closed, invoicing, letterhead, taxTold, customer } = billed
  const { body } = closed
  const tax = taxOn({
    taxBp: body.taxBp,
    exempt: taxTold?.exempt,
    exemptAs: taxTold?.exemptAs,
    noTaxWhy: invoicing?.noTaxWhy,
  })
  const lines = body.lines.filter(isBilled).map((line) => lineOf(line, tax))
  const orderNumber = body.orderNumber ?? customer.orderNumber
  return {
    kind: 'invoice',
    issuedOn: today,
    dueOn: fromDay(toDay(today) + (invoicing?.dueDays ?? usualDueDays)),
    deliveredOn: closed.happenedOn,
    currency: body.currency,
    seller: {
      ...partyOf({ ...invoicing, name: invoicing?.name || billed.firmName, email: letterhead?.email }),
      ...(invoicing?.registration && { registration: invoicing.registration }),
      ...(letterhead?.phone && { phone: letterhead.phone }),
      ...(letterhead?.logo && { logo: letterhead.logo }),
    },
    ...(invoicing?.iban && {
      account: {
        iban: ibanOf(invoicing.iban),
        ...(invoicing.bic && { bic: ibanOf(invoicing.bic) }),
        ...(invoicing.accountName && { name: invoicing.accountName }),
      },
    }),
    buyer: partyOf({
      name: customer.billName || customer.name,
      street: customer.billStreet,
      postcode: customer.billPostcode,
      town: customer.billTown,
      country: customer.billCountry,
      taxNumber: taxTold?.taxNumber,
      email: customer.billEmail || customer.email,
    }),
    ...(customer.billReference && { buyerReference: customer.billReference }),
    ...(orderNumber && { orderNumber }),
    place: billed.place,
    reportCode: billed.reportNumber,
    withTax: body.withTax ?? false,
    taxName: billed.taxName || 'Tax',
    lines,
    totals: invoiceTotals(lines, invoicing?.roundToMinor),
    ...(invoicing?.note && { note: invoicing.note }),
  }
}

/**
 * What takes an invoice back: the same lines with another name, so that both together come to nothing.
 */
export function creditNoteOf(invoice: Invoice, why: string, today: LocalDay): Omit<Invoice, 'number'> {
  const { number, issuedOn, ...rest } = invoice
  return { ...rest, kind: 'credit-note', issuedOn: today, dueOn: today, cancels: { number, issuedOn, why } }
}

/** Who pays nothing for it is not asked for it; nor is anybody whose price nobody said. */
const isBilled = (line: ChargeLine): line is ChargeLine & { priceMinor: number } =>
  line.pays === 'customer' && line.priceMinor !== null && line.priceMinor > 0 && line.quantityMilli > 0

const lineOf = (line: ChargeLine & { priceMinor: number }, tax: TaxOnLine): InvoiceLine => ({
  name: line.name,
  quantityMilli: line.quantityMilli,
  unit: line.unit,
  priceMinor: line.priceMinor,
  ...(line.per && { per: line.per }),
  netMinor: comesTo(line)!,
  tax,
  ...(line.changed && { note: line.changed }),
})

function partyOf(said: { [K in keyof Party]?: Party[K] | undefined } & { name: string }): Party {
  const { name, street, postcode, town, country, taxNumber, email } = said
  return {
    name,
    ...(street && { street }),
    ...(postcode && { postcode }),
    ...(town && { town }),
    ...(country && { country }),
    ...(taxNumber && { taxNumber }),
    ...(email && { email }),
  }
}
