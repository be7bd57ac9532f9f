/**
 * A sum of money as whole minor units of the firm's currency: cents of a euro, yen as they are. It is never a fraction,
 * and nothing of it is ever reckoned in floating point.
 */
export type Minor = number

/** More than anybody is charged for a coffee machine: a decimal point was lost. */
export const mostMinor = 1e11

/**
 * A sum for a sentence of the ledger, which every page carries: digits are parted as text, without the library that
 * reckons with them.
 *
 * @example sumWords(6300, 'EUR') // '63.00 EUR'
 * @example sumWords(8500, 'JPY') // '8500 JPY'
 */
export function sumWords(amount: Minor, currency: string): string {
  const { maximumFractionDigits: places = 2 } = new Intl.NumberFormat('en', {
    style: 'currency',
    currency,
  }).resolvedOptions()
  const digits = String(amount).padStart(places + 1, '0')
  return `${places === 0 ? digits : `${digits.slice(0, -places)}.${digits.slice(-places)}`} ${currency}`
}
