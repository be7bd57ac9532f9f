import type { ChargeUnit } from '../close-out/charge-terms.ts'
import { type Minor, partedBy, roundedTo, sumOf } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Party } from './party.ts'
import { type TaxOnLine, type TaxSum, taxSums } from './tax.ts'

export interface InvoiceLine {
  name: string
  /** Thousandths of its unit. */
  quantityMilli: number
  unit: ChargeUnit
  priceMinor: Minor
  /** How many of the unit the price is for: 60 where minutes are priced by the hour. */
  per?: number
  /** Quantity times price, rounded once. */
  netMinor: Minor
  tax: TaxOnLine
  /** What was changed by hand, and why. */
  note?: string
}

/** An invoice or a credit note as it was issued: all of it, so that nothing in it changes when something else does. */
export interface Invoice {
  kind: 'invoice' | 'credit-note'
  number: string
  issuedOn: LocalDay
  dueOn: LocalDay
  /** When it was done. */
  deliveredOn: LocalDay
  currency: string
  /** With the logo it was issued with, by the name of its picture. */
  seller: Party & { phone?: string; logo?: string }
  /** Where it is paid to. */
  account?: { iban: string; bic?: string; name?: string }
  buyer: Party
  /** Theirs, as they find it again: an order number, a department. */
  buyerReference?: string
  orderNumber?: string
  /** Where the work was done, and the report it goes by. */
  place: { name: string; area: string }
  reportCode: string
  /** Prices are told with the tax in them. */
  withTax: boolean
  taxName: string
  lines: InvoiceLine[]
  totals: InvoiceTotals
  note?: string
  /** Of a credit note: what it takes back, and why. */
  cancels?: { number: string; issuedOn: LocalDay; why: string }
}

/**
 * What each line is told as: before tax, or to a household with the tax in it, parted so that the lines add up to the sum
 * to the last minor unit.
 */
export const toldLines = ({ withTax, lines, totals }: Pick<Invoice, 'withTax' | 'lines' | 'totals'>): Minor[] => {
  const nets = lines.map(({ netMinor }) => netMinor)
  return withTax ? partedBy(totals.grossMinor, nets) : nets
}

export interface InvoiceTotals {
  netMinor: Minor
  taxes: TaxSum[]
  taxMinor: Minor
  grossMinor: Minor
  /** What rounding to the smallest coin adds or takes. */
  roundingMinor: Minor
  payableMinor: Minor
}

/**
 * The sums of an invoice (EN 16931, BR-CO-10 to BR-CO-16): lines, tax by rate, both together, rounded to what is paid.
 *
 * @param roundToMinor - the smallest step that is paid, in minor units: 5 where there is no smaller coin
 * @example invoiceTotals([{ netMinor: 10_000, tax: { category: 'S', taxBp: 1900 } }]).payableMinor // 11900
 */
export function invoiceTotals(
  lines: readonly { netMinor: Minor; tax: TaxOnLine }[],
  roundToMinor: Minor = 1,
): InvoiceTotals {
  const taxes = taxSums(lines)
  const netMinor = sumOf(lines.map((line) => line.netMinor))
  const taxMinor = sumOf(taxes.map((one) => one.taxMinor))
  const grossMinor = netMinor + taxMinor
  const payableMinor = roundedTo(grossMinor, roundToMinor)
  return { netMinor, taxes, taxMinor, grossMinor, roundingMinor: payableMinor - grossMinor, payableMinor }
}
