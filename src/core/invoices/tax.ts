import { type Minor, shareOf, sumOf } from '../money/minor.ts'
import type { FreeOfTax } from './free-of-tax.ts'

/**
 * Why a line bears the tax it bears, by the codes of UN/EDIFACT 5305 as EN 16931 takes them: S taxed, Z taxed at nought,
 * E exempt, AE the customer owes it, O outside the tax.
 */
export const taxCategories = ['S', 'Z', 'E', 'AE', 'O'] as const
export type TaxCategory = (typeof taxCategories)[number]

const categoryOfFree: Record<FreeOfTax, TaxCategory> = { exempt: 'E', reverse: 'AE', outside: 'O' }

export interface TaxOnLine {
  category: TaxCategory
  /** Hundredths of a per cent: 1900 are 19 %. */
  taxBp: number
  /** Where there is none: why. */
  reason?: string
}

/**
 * The tax on what a visit charges.
 *
 * @param said - what the firm charges; what is said of this customer, where they pay none
 * @example taxOn({ taxBp: 1900 }) // { category: 'S', taxBp: 1900 }
 */
export function taxOn({
  taxBp,
  exempt,
  exemptAs = 'exempt',
  noTaxWhy,
}: {
  taxBp: number
  exempt?: string | undefined
  exemptAs?: FreeOfTax | undefined
  noTaxWhy?: string | undefined
}): TaxOnLine {
  if (exempt) return { category: categoryOfFree[exemptAs], taxBp: 0, reason: exempt }
  if (taxBp > 0) return { category: 'S', taxBp }
  return noTaxWhy ? { category: 'E', taxBp: 0, reason: noTaxWhy } : { category: 'Z', taxBp: 0 }
}

/** What one rate of tax comes to. */
export interface TaxSum extends TaxOnLine {
  netMinor: Minor
  taxMinor: Minor
}

/**
 * The tax by category and rate: the lines of one are added, then the tax is reckoned on their sum and rounded once
 * (EN 16931, BR-S-8 and BR-S-9; BR-CO-17).
 */
export function taxSums(lines: readonly { netMinor: Minor; tax: TaxOnLine }[]): TaxSum[] {
  const groups = new Map<string, { tax: TaxOnLine; nets: Minor[] }>()
  for (const { netMinor, tax } of lines) {
    const key = `${tax.category} ${tax.taxBp} ${tax.reason ?? ''}`
    const group = groups.get(key) ?? { tax, nets: [] }
    group.nets.push(netMinor)
    groups.set(key, group)
  }
  return [...groups.values()].map(({ tax, nets }) => {
    const netMinor = sumOf(nets)
    return { ...tax, netMinor, taxMinor: shareOf(netMinor, tax.taxBp) }
  })
}
