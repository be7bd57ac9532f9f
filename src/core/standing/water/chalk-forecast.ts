import { toDay } from '../../quantity/local-day.ts'
import { atChance } from '../../quantity/spread.ts'
import type { TestedWater } from '../../water/carbonate.ts'
import { alongBetween } from '../along.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { VesselChalk } from './vessel-chalk.ts'

/** Chalk on one day, mm: half the chances lie in the inner band, nine in ten in the outer. */
export interface ChalkOnDay {
  day: number
  likely: number
  inner: [low: number, high: number]
  outer: [low: number, high: number]
}

/** What a year may bring besides the use. */
export interface YearPlan {
  /** First and last day shown. */
  from: number
  to: number
  /** Days it is descaled, in order. */
  descales: number[]
  /** Stretches on which the water comes unsoftened. */
  unsoftened?: { from: number; to: number; water: TestedWater }[]
}

/** A step of the curve, days: fine enough for the eye over a year. */
const stepDays = 4

/** Chalk in a vessel day by day: what was, and what is to come at the present water and use. */
export function chalkForecast(facts: MachineFacts, chalk: VesselChalk, since: number, plan: YearPlan): ChalkOnDay[] {
  const days = new Set<number>([plan.from, plan.to, facts.asOfDay])
  for (let day = plan.from; day <= plan.to; day += stepDays) days.add(day)
  const ends = (plan.unsoftened ?? []).flatMap(({ from, to }) => [from, to])
  for (const day of [...ends, ...plan.descales.flatMap((descale) => [descale, descale + 1])])
    if (day >= plan.from && day <= plan.to) days.add(day)
  return [...days]
    .sort((a, b) => a - b)
    .filter((day) => day >= since)
    .map((day) => {
      const grams = gramsOn(facts, chalk, day, plan)
      const at = (chance: number) => chalk.thicknessOf(grams * atChance(chalk.sure, chance))
      return { day, likely: chalk.thicknessOf(grams), inner: [at(0.25), at(0.75)], outer: [at(0.05), at(0.95)] }
    })
}

function gramsOn(
  facts: MachineFacts,
  chalk: VesselChalk,
  day: number,
  { descales, unsoftened = [] }: YearPlan,
): number {
  const clean = descales.filter((descale) => descale < day).at(-1)
  const base = clean === undefined ? chalk.gramsAt(day) : chalk.gramsAt(day) - chalk.gramsAt(clean)
  const more = unsoftened.reduce((grams, span) => {
    const [from, to] = [Math.max(span.from, clean ?? span.from), Math.min(span.to, day)]
    if (to <= from) return grams
    const raw = alongBetween(chalk.stuckWith(span.water), facts.use, from, to)
    return grams + Math.max(0, raw - alongBetween(chalk.stuck, facts.use, from, to))
  }, 0)
  return Math.max(0, base) + more
}

/** The first day a forecast reaches a limit; null where it does not. */
export const firstDayAt = (forecast: ChalkOnDay[], limitMm: number, after: string): number | null =>
  forecast.find(({ day, likely }) => day >= toDay(after) && likely >= limitMm)?.day ?? null
