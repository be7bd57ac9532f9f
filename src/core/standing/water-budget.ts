import type { Kind } from '../kinds/kind.ts'
import { type WaterUse, waterUses } from '../kinds/vessel.ts'
import type { FirstPassage } from '../usage/first-passage.ts'
import { type Along, alongADay, alongAfter, alongBetween } from './along.ts'
import type { CounterLine } from './counter-line.ts'
import { drinksCounted } from './drink-mix.ts'
import { type Histories, nearestSetting } from './histories.ts'

/** Litres a machine draws, reckoned from its drinks. */
export interface WaterBudget {
  mlPerDrink: number
  litresPerOpenDay: number
  /** Brew water alone, for what sits in a group. */
  brewMlPerDrink: number
  /** What goes where, per drink and per open day: it adds up to the two above. */
  uses: Record<WaterUse, { mlPerDrink: number; litresPerOpenDay: number }>
  from: 'catalogue' | 'counted' | 'set' | 'metered' | 'factor'
  /** Drinks its own drink counters told apart. */
  counted?: number
  /** How a budget of its own was found. */
  setSaid: string
  /** Meter over reckoning, where a meter was read at least twice, or as found for all behind one softener. */
  factor: number
  intervals: number
}

/**
 * Water through the machine = drinks × (cup + puck + discharge + flush + what goes besides) + so much
 * an open day. A water meter read twice or more corrects it by one factor: least squares through the
 * origin over the intervals between its readings.
 */
export function waterBudget(
  kind: Kind,
  histories: Histories,
  readings: Parameters<typeof drinksCounted>[0],
  use: CounterLine,
  meter: CounterLine | null,
): WaterBudget {
  const mix = drinksCounted(readings, kind)
  const budget = mix ? { ...kind.budget, drinks: mix.drinks } : kind.budget
  const { drinks, besides, daily } = budget
  const brewMl = drinks.reduce((ml, d) => ml + d.share * (d.cupMl + d.puckMl + d.dischargeMl + d.flushMl), 0)
  const set = nearestSetting(histories, 'budget')
  const mlPerDrink = set?.body.mlPerDrink ?? brewMl + besides.reduce((ml, b) => ml + b.mlPerDrink, 0)
  const litresPerOpenDay = set?.body.litresPerOpenDay ?? daily.reduce((ml, d) => ml + d.ml, 0) / 1000
  const given = nearestSetting(histories, 'budget-factor')
  const plain: WaterBudget = {
    mlPerDrink,
    litresPerOpenDay,
    brewMlPerDrink: brewMl,
    uses: usesOf(budget, mlPerDrink, litresPerOpenDay),
    from: set ? 'set' : mix ? 'counted' : 'catalogue',
    ...(mix && { counted: mix.counted }),
    setSaid: set?.body.filled
      ? `measured: ${set.body.filled.litres} L over ${set.body.filled.drinks} ${kind.counter.unit}`
      : `set for this ${set?.level ?? 'machine'}`,
    factor: 1,
    intervals: 0,
  }
  if (given && !meter) return { ...plain, from: 'factor', factor: given.body.factor }
  if (!meter || meter.intervals.length === 0) return plain
  const reckoned = meter.intervals.map(({ fromDay, toDay }) => litresBetween(plain, use, fromDay, toDay))
  const square = reckoned.reduce((sum, litres) => sum + litres * litres, 0)
  if (square === 0) return plain
  const factor = meter.intervals.reduce((sum, interval, i) => sum + interval.count * reckoned[i]!, 0) / square
  return { ...plain, from: 'metered', factor, intervals: meter.intervals.length }
}

/** Where the water goes, in the kind's proportions: somebody's own totals are shared out alike. */
function usesOf(budget: Kind['budget'], mlPerDrink: number, litresPerOpenDay: number): WaterBudget['uses'] {
  const { drinks, besides, daily } = budget
  const perDrink = [
    ...drinks.map((d) => ({ ml: d.share * (d.cupMl + d.puckMl + d.dischargeMl + d.flushMl), goes: 'brew' })),
    ...besides.map((row) => ({ ml: row.mlPerDrink, goes: row.goes })),
  ]
  const sum = (rows: { ml: number; goes?: string }[], use?: WaterUse) =>
    rows.reduce((ml, row) => ml + (use === undefined || row.goes === use ? row.ml : 0), 0)
  const [allPerDrink, allDaily] = [sum(perDrink), sum(daily)]
  return Object.fromEntries(
    waterUses.map((use) => [
      use,
      {
        mlPerDrink: allPerDrink > 0 ? (sum(perDrink, use) / allPerDrink) * mlPerDrink : 0,
        litresPerOpenDay: allDaily > 0 ? (sum(daily, use) / allDaily) * litresPerOpenDay : 0,
      },
    ]),
  ) as WaterBudget['uses']
}

/** What a machine draws, as it goes along with its drinks. */
const drawn = ({ factor, mlPerDrink, litresPerOpenDay }: Draws): Along => ({
  factor,
  thousandthsPerDrink: mlPerDrink,
  perOpenDay: litresPerOpenDay,
})

type Draws = Pick<WaterBudget, 'factor' | 'mlPerDrink' | 'litresPerOpenDay'>

/** Litres drawn between two days. */
export const litresBetween = (budget: Draws, use: CounterLine, from: number, to: number): number =>
  alongBetween(drawn(budget), use, from, to)

/** Litres an open day at the mean rate. */
export const litresADay = (budget: Draws, use: CounterLine): number => alongADay(drawn(budget), use)

/** When so many litres since a day are drawn. */
export const litresAfter = (budget: Draws, use: CounterLine, since: number, litres: number): FirstPassage =>
  alongAfter(drawn(budget), use, since, litres)

/** The same day, as a quantile. */
export const dayOfLitres = (
  budget: Draws,
  use: CounterLine,
  since: number,
  litres: number,
  chance: number,
): number | null => litresAfter(budget, use, since, litres).dayAt(chance)
