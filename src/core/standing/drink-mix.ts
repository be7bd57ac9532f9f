import type { Kind } from '../kinds/kind.ts'
import type { Entry } from '../ledger/entry.ts'
import { sharesCounted } from '../usage/counted-apart.ts'

type Reading = Entry & { kind: 'reading' }

/** How its drinks are shared out among groups, by the groups' own counters; null where nobody noted them. */
export function groupsCounted(readings: Reading[], usual: number[]): { shares: number[]; counted: number } | null {
  return sharesCounted(
    readings.flatMap((entry) => {
      const groups = entry.body.groups
      return groups && groups.length > 0 ? [groups] : []
    }),
    usual,
  )
}

/**
 * The drinks of its kind in the shares its own drink counters show; null where nobody noted them. A drink the kind
 * does not know is no part of it.
 */
export function drinksCounted(
  readings: Reading[],
  kind: Kind,
): { drinks: Kind['budget']['drinks']; counted: number } | null {
  const { drinks } = kind.budget
  const rows = readings.flatMap((entry) => {
    const noted = entry.body.drinks
    if (!noted || noted.length === 0) return []
    const counts = drinks.map(({ name }) => noted.find((one) => one.name === name)?.count)
    return counts.every((count): count is number => count !== undefined) ? [counts] : []
  })
  const seen = sharesCounted(
    rows,
    drinks.map(({ share }) => share),
  )
  return seen && { counted: seen.counted, drinks: drinks.map((drink, i) => ({ ...drink, share: seen.shares[i]! })) }
}
