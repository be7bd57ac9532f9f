import { type Minor, priceOf, shareOf, sumOf } from '../money/minor.ts'
import type { ChargeOf, ChargeUnit, Payer } from './charge-terms.ts'

export const payerWords: Record<Payer, string> = {
  contract: 'contract',
  customer: 'charged',
  warranty: 'warranty',
  nobody: 'goodwill',
}

/** One line of what a visit costs and who pays it. */
export interface ChargeLine {
  id: string
  of: ChargeOf
  name: string
  subjectId?: string
  part?: string
  /** Thousandths of its unit. */
  quantityMilli: number
  unit: ChargeUnit
  /** Before tax; null where nobody said a price: it is not charged before somebody does. */
  priceMinor: Minor | null
  /** How many of the unit the price is for: 60 where minutes are priced by the hour. */
  per?: number
  pays: Payer
  /** The clause or the word by which this one pays. */
  why?: string
  /** Somebody changed it by hand, with this reason. */
  changed?: string
}

/** What a line comes to, before tax; null where its price is not known. */
export const comesTo = ({ quantityMilli, priceMinor, per }: ChargeLine): Minor | null =>
  priceMinor === null ? null : priceOf({ quantityMilli, priceMinor, ...(per && { per }) })

/** What a visit costs and what of it is charged. */
export interface Totals {
  /** Before tax, whoever pays. */
  worthMinor: Minor
  byPayer: Record<Payer, Minor>
  /** Of what is charged: before tax, the tax, and together. */
  netMinor: Minor
  taxMinor: Minor
  grossMinor: Minor
  /** Lines whose price nobody said. */
  unpriced: number
}

/**
 * Sums of a visit. Tax is reckoned once, on the sum of what is charged, not line by line (EN 16931, BR-CO-17).
 *
 * @param taxBp - hundredths of a per cent: 1900 are 19 %
 */
export function totalsOf(lines: readonly ChargeLine[], taxBp: number): Totals {
  const of = (payer: Payer) => sumOf(lines.filter(({ pays }) => pays === payer).map((line) => comesTo(line) ?? 0))
  const byPayer = { contract: of('contract'), customer: of('customer'), warranty: of('warranty'), nobody: of('nobody') }
  const netMinor = byPayer.customer
  const taxMinor = shareOf(netMinor, taxBp)
  return {
    worthMinor: sumOf(Object.values(byPayer)),
    byPayer,
    netMinor,
    taxMinor,
    grossMinor: netMinor + taxMinor,
    unpriced: lines.filter(({ priceMinor }) => priceMinor === null).length,
  }
}
