import type { Rates } from '../close-out/charges.ts'
import { type Cover, holdsOn } from '../close-out/cover.ts'
import { type Minor, priceOf, sumOf } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'

/** The way to a place and back. */
export interface Road {
  minutes: number
  km: number
}

/**
 * What it costs to come for one thing alone, before tax: the call and the road. The work and the part cost the same
 * whenever they are done.
 *
 * @returns null where nobody said what any of it costs
 * @example ownCall({ callOutMinor: 5500, perKmMinor: 80 }, { minutes: 10, km: 6 }) // 5980
 */
export function ownCall({ callOutMinor, travelPerHourMinor, perKmMinor }: Rates, { minutes, km }: Road): Minor | null {
  if (callOutMinor === undefined && travelPerHourMinor === undefined && perKmMinor === undefined) return null
  const milli = (quantity: number) => Math.round(quantity * 1000)
  return sumOf([
    callOutMinor ?? 0,
    priceOf({ quantityMilli: milli(minutes), priceMinor: travelPerHourMinor ?? 0, per: 60 }),
    priceOf({ quantityMilli: milli(km), priceMinor: perKmMinor ?? 0 }),
  ])
}

/** Whether a call on a day is the customer's to pay: a contract that pays for the road bears it. */
export const isCallTheirs = (cover: Cover | null, day: LocalDay): boolean => !(holdsOn(cover, day) && cover.travel)
