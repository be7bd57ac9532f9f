import { allocate, dinero, toDecimal, toSnapshot } from 'dinero.js/bigint'
import * as known from 'dinero.js/bigint/currencies'
import type { Minor } from './minor-unit.ts'

export type { Minor } from './minor-unit.ts'

interface Currency {
  code: string
  base: bigint
  exponent: bigint
}

/** ISO 4217 as the library has it; a code nobody knows has two places, as most. */
function currencyOf(code: string): Currency {
  return currencies.get(code) ?? { code, base: 10n, exponent: 2n }
}

const currencies = new Map<string, Currency>(Object.entries(known) as [string, Currency][])

/** Minor units are whole, whatever the currency. */
const wholes: Currency = { code: '', base: 10n, exponent: 0n }

/** Places behind the point of a currency. @example minorDigits('EUR') // 2 */
export const minorDigits = (currency: string): number => Number(currencyOf(currency).exponent)

/** Rounded as trade does: half a minor unit goes away from nothing. */
const divided = (dividend: bigint, divisor: bigint): bigint => {
  const size = dividend < 0n ? -dividend : dividend
  const whole = (2n * size + divisor) / (2n * divisor)
  return dividend < 0n ? -whole : whole
}

/**
 * What was typed, or kept as a decimal, in whole minor units; what is finer is rounded, half away from nothing.
 *
 * @param text - digits with a point, perhaps a sign
 * @returns null where it is no such number
 * @example minorOf('5.20', 'EUR') // 520
 * @example minorOf('1.005', 'EUR') // 101: floating point would say 100
 */
export function minorOf(text: string, currency: string): Minor | null {
  const read = /^(-?)(\d{1,12})(?:\.(\d{1,12}))?$/.exec(text.trim())
  if (!read) return null
  const [, sign, whole, fraction = ''] = read
  const digits = minorDigits(currency)
  const scaled = BigInt(`${whole}${fraction}`) * 10n ** BigInt(digits)
  const amount = Number(divided(sign ? -scaled : scaled, 10n ** BigInt(fraction.length)))
  return Object.is(amount, -0) ? 0 : amount
}

/** As a decimal with all its places, for files. @example decimalOf(520, 'EUR') // '5.20' */
export const decimalOf = (amount: Minor, currency: string): string =>
  toDecimal(dinero({ amount: BigInt(amount), currency: currencyOf(currency) }))

/** Whole numbers, and far below what a number can hold exactly. @example sumOf([520, 1840]) // 2360 */
export const sumOf = (amounts: readonly Minor[]): Minor => amounts.reduce((sum, amount) => sum + amount, 0)

/**
 * So much of something at a price: rounded once, at the end, to whole minor units (EN 16931, BT-131: the quantity times
 * the price of an item, by the quantity the price is for).
 *
 * @param quantityMilli - thousandths: 92,000 are 92 minutes
 * @param per - what the price is for: 60 where minutes are priced by the hour
 * @example priceOf({ quantityMilli: 92_000, priceMinor: 6300, per: 60 }) // 9660
 */
export const priceOf = ({ quantityMilli, priceMinor, per = 1 }: Priced): Minor =>
  Number(divided(BigInt(quantityMilli) * BigInt(priceMinor), 1000n * BigInt(per)))

export interface Priced {
  quantityMilli: number
  priceMinor: Minor
  per?: number
}

/**
 * A share of a sum, rounded half away from nothing.
 *
 * @param shareBp - hundredths of a per cent: 1900 are 19 %
 * @example shareOf(10_900, 1900) // 2071
 */
export const shareOf = (amount: Minor, shareBp: number): Minor =>
  Number(divided(BigInt(amount) * BigInt(shareBp), 10_000n))

/**
 * A sum rounded to the smallest step that is paid, half a step away from nothing.
 *
 * @param stepMinor - in minor units; 1 leaves it as it is
 * @example roundedTo(11_902, 5) // 11900
 */
export const roundedTo = (amount: Minor, stepMinor: Minor): Minor =>
  Number(divided(BigInt(amount), BigInt(stepMinor)) * BigInt(stepMinor))

/**
 * A sum parted by weights, so that the parts are that sum again to the last minor unit.
 *
 * @example partedBy(100, [1, 1, 1]) // [34, 33, 33]
 */
export function partedBy(amount: Minor, weights: readonly number[]): Minor[] {
  if (weights.length === 0) return []
  const ratios = weights.some((weight) => weight > 0) ? weights : weights.map(() => 1)
  const parts = allocate(
    dinero({ amount: BigInt(amount), currency: wholes }),
    ratios.map((weight) => BigInt(weight)),
  )
  return parts.map((part) => Number(toSnapshot(part).amount))
}
