import { certainDay, type FirstPassage, nthOpenDay } from '../usage/first-passage.ts'
import { meanRate } from '../usage/rate.ts'
import type { CounterLine } from './counter-line.ts'

/**
 * Something that goes along with the drinks: litres of water, grams of chalk, kilograms of coffee. So much a drink, in
 * thousandths of its unit, and so much an open day besides, in its unit.
 */
export interface Along {
  /** Both times this: a meter over what the counts say. */
  factor: number
  thousandthsPerDrink: number
  perOpenDay: number
}

/** How much between two days. */
export const alongBetween = (along: Along, use: CounterLine, from: number, to: number): number =>
  along.factor *
  (((use.totalAt(to) - use.totalAt(from)) * along.thousandthsPerDrink) / 1000 +
    use.open.plain.count(from, to) * along.perOpenDay)

/** How much an open day at the mean rate. */
export const alongADay = (along: Along, use: CounterLine): number =>
  along.factor * ((meanRate(use.rate) * along.thousandthsPerDrink) / 1000 + along.perOpenDay)

/**
 * When so much since a day has gone along: drinks carry the chance, what an open day takes besides none. Found between
 * bounds that hold it, a day at a time.
 */
export function alongAfter(along: Along, use: CounterLine, since: number, amount: number): FirstPassage {
  // At the quantile's own pace the two parts add up; the pace is read off the drinks it would take.
  const perDay = alongADay(along, use)
  if (perDay <= 0) return certainDay(null)
  const mean = meanRate(use.rate)
  if (mean <= 0) return certainDay(nthOpenDay(use.open.plain, since, amount / perDay))
  const anchor = use.last?.day ?? since
  const gone = anchor > since ? alongBetween(along, use, since, anchor) : 0
  if (gone >= amount) return certainDay(dayInPast(along, use, since, anchor, amount))
  // Whole path as if drinks alone took it: the fixed share rides along at the mean.
  const drinksToGo = ((amount - gone) / perDay) * mean
  return use.after(Math.max(anchor, since), drinksToGo)
}

function dayInPast(along: Along, use: CounterLine, since: number, until: number, amount: number): number {
  let [below, above] = [since, until]
  while (above - below > 1) {
    const middle = Math.floor((below + above) / 2)
    if (alongBetween(along, use, since, middle) < amount) below = middle
    else above = middle
  }
  return below
}
