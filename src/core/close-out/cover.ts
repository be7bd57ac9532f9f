import type { Minor } from '../money/minor.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { ChargeOf } from './charge-terms.ts'

/** What a contract pays for, where one holds. */
export interface Cover {
  /** As the customer knows it: a number, a year. */
  name?: string
  /** The last day it holds; absent: until somebody ends it. */
  until?: LocalDay
  /** Parts up to so much each; absent: whatever they cost; null: none. */
  partsUpToMinor?: Minor | null
  /** Parts it does not pay for, by their ids. */
  notParts: readonly string[]
  labour: boolean
  travel: boolean
  /** Tablets, grease, salt, descaler. */
  used: boolean
}

/** Whether a contract holds on a day: its last day is its own. */
export const holdsOn = (cover: Cover | null, day: LocalDay): cover is Cover =>
  cover !== null && (cover.until === undefined || day <= cover.until)

/**
 * Whether a contract pays for something, and where it does not, by which of its clauses.
 *
 * @example coveredBy(cover, { of: 'part', part: 'burrs', priceMinor: 6800 }) // { pays: false, why: 'not among its parts' }
 */
export function coveredBy(
  cover: Cover,
  { of, part, priceMinor }: { of: ChargeOf; part?: string | undefined; priceMinor: Minor | null },
): { pays: boolean; why?: string } {
  if (of === 'labour') return cover.labour ? { pays: true } : { pays: false, why: 'work is not in the contract' }
  if (of === 'travel' || of === 'call-out')
    return cover.travel ? { pays: true } : { pays: false, why: 'the road is not in the contract' }
  if (of === 'used') return cover.used ? { pays: true } : { pays: false, why: 'what is used up is not in the contract' }
  if (of !== 'part') return { pays: false }
  if (cover.partsUpToMinor === null) return { pays: false, why: 'parts are not in the contract' }
  if (part && cover.notParts.includes(part)) return { pays: false, why: 'not among its parts' }
  if (cover.partsUpToMinor !== undefined && (priceMinor === null || priceMinor > cover.partsUpToMinor))
    return { pays: false, why: priceMinor === null ? 'its price is not known' : 'dearer than the contract takes' }
  return { pays: true }
}
