import type { Invoice } from './invoice.ts'
import { isVatNumber } from './party.ts'

/** Where what is missing is said. */
export type SaidAt = 'ours' | 'theirs' | 'visit' | 'rates'

/** What an invoice lacks before it can be issued, and by which rule of EN 16931. */
export interface NotReady {
  code: string
  words: string
  at: SaidAt
}

const isVat = (number: string | undefined): boolean => number !== undefined && isVatNumber(number)

/**
 * What stands in the way of issuing an invoice, in the words of whoever mends it. A file that lacks one of these is
 * refused by whoever takes it in; a paper that lacks it the law may not take for an invoice.
 */
export function notReady(draft: Omit<Invoice, 'number'>): NotReady[] {
  const { seller, buyer, lines, totals } = draft
  const categories = new Set(lines.map(({ tax }) => tax.category))
  const found: [boolean, NotReady][] = [
    [lines.length === 0, { code: 'BR-16', at: 'visit', words: 'Nothing of this visit is charged to the customer.' }],
    [!seller.country, { code: 'BR-9', at: 'ours', words: 'Our own address and country are not said yet.' }],
    [
      // Outside the tax nobody’s VAT number may stand on it (BR-O-2).
      !seller.registration && (categories.has('O') || !isVat(seller.taxNumber)),
      {
        code: 'BR-CO-26',
        at: 'ours',
        words: categories.has('O')
          ? 'Outside the tax our number in the register says who we are: it is not said yet.'
          : 'Our VAT number, or our number in the register, is not said yet.',
      },
    ],
    [
      categories.has('S') && !seller.taxNumber,
      { code: 'BR-S-2', at: 'ours', words: 'Tax is charged, and our tax number is not said.' },
    ],
    [
      categories.has('E') && !seller.taxNumber,
      { code: 'BR-E-2', at: 'ours', words: 'It is exempt from tax, and our tax number is not said.' },
    ],
    [!buyer.country, { code: 'BR-11', at: 'theirs', words: 'Where the customer’s bills go is not said yet.' }],
    [
      categories.has('Z'),
      {
        code: 'BR-E-10',
        at: 'ours',
        words: 'No tax is charged: say by which rule, or set the tax with the rates.',
      },
    ],
    [
      categories.has('AE') && !isVat(buyer.taxNumber),
      { code: 'BR-AE-2', at: 'theirs', words: 'The customer owes the tax: their VAT number is not said.' },
    ],
    [
      categories.has('AE') && !isVat(seller.taxNumber),
      { code: 'BR-AE-2', at: 'ours', words: 'The customer owes the tax: our VAT number is not said.' },
    ],
    [
      lines.length > 0 && totals.payableMinor <= 0,
      { code: 'BR-CO-16', at: 'visit', words: 'It comes to nothing: there is nothing to pay.' },
    ],
  ]
  return found.filter(([is]) => is).map(([, issue]) => issue)
}
