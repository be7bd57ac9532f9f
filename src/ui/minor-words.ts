import { decimalOf, type Minor } from '../core/money/minor.ts'

/**
 * Whole minor units in their currency, to the last of them.
 * @example moneyOf(10_900, 'EUR') // '€109.00'
 */
export const moneyOf = (amount: Minor, currency: string): string =>
  // As text it stays what it is: a formatter takes digits too.
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(
    decimalOf(amount, currency) as unknown as number,
  )
