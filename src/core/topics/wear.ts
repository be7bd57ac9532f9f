import { array, object } from 'yup'
import { amount, closure, divisor, localDay, weekdays } from '../parse/fields.ts'
import { addMonths, fromDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import { gammaQuantile } from '../quantity/special-functions.ts'
import { startWorking } from '../quantity/working.ts'
import { horizonDays, nthOpenDay } from '../usage/first-passage.ts'
import { openDays } from '../usage/open-days.ts'
import { dueWindow, type Passage } from '../wear/due-window.ts'
import { InputFault, topic } from './topic.ts'

const perDay = () =>
  object({ mean: amount().required(), sd: amount().required() }).noUnknown().optional().default(undefined)
const counted = ['shots', 'litres', 'detergentCycles'] as const
const unit = { shots: 'shots', litres: 'L', months: 'months', detergentCycles: 'cycles' } as const
type Clock = keyof typeof unit

export const wear = topic({
  name: 'wear',
  about: "When a part's first limit is reached, which one governs, and how much of each is used.",
  schema: object({
    today: localDay().required(),
    fittedOn: localDay().required(),
    limits: object({ shots: divisor(), litres: divisor(), months: divisor(), detergentCycles: divisor() })
      .noUnknown()
      .required(),
    used: object({ shots: amount(), litres: amount(), detergentCycles: amount() }).noUnknown().required(),
    perOpenDay: object({ shots: perDay(), litres: perDay(), detergentCycles: perDay() }).noUnknown().required(),
    openWeekdays: weekdays().required(),
    closures: array(closure().required()).default([]),
    lifeMultiplier: divisor().default(1),
  }).noUnknown(),
  example: {
    today: '2026-11-26',
    fittedOn: '2026-05-14',
    limits: { shots: 28_000, months: 9 },
    used: { shots: 23_126 },
    perOpenDay: { shots: { mean: 118.7, sd: 6 } },
    openWeekdays: [1, 2, 3, 4, 5, 6],
    closures: [{ from: '2026-12-24', to: '2027-01-02' }],
  },
  reckon(input) {
    const { limits, used, perOpenDay, lifeMultiplier } = input
    const today = toDay(input.today)
    const fitted = toDay(input.fittedOn)
    if (fitted > today) throw new InputFault('fittedOn', input.fittedOn, `is after today (${input.today})`)
    const open = openDays(input)
    const warnings: string[] = []
    const shares: Partial<Record<Clock, number>> = {}
    const passages: Passage<Clock>[] = []
    const { lines, add } = startWorking()
    add({ what: 'Fitted', value: input.fittedOn, origin: 'setting' })
    add({ what: 'Life multiplier', value: lifeMultiplier, origin: 'setting' })

    for (const clock of counted) {
      const limit = limits[clock]
      if (limit === undefined) continue
      const usedSoFar = used[clock]
      if (usedSoFar === undefined)
        throw new InputFault(`used.${clock}`, undefined, `is missing: limits.${clock} needs it`)
      const life = limit * lifeMultiplier
      shares[clock] = usedSoFar / life
      const lifeLine = add({
        what: `Life in ${unit[clock]}`,
        value: life,
        unit: unit[clock],
        formula: 'limit × {2}',
        origin: 'setting',
      })
      const usedLine = add({ what: 'Used to today', value: usedSoFar, unit: unit[clock], origin: 'measured' })
      add({
        what: 'Share used',
        value: shares[clock]!,
        formula: `{${usedLine}} ÷ {${lifeLine}}`,
        origin: 'reckoned',
      })
      const rate = perOpenDay[clock]
      if (!rate) warnings.push(`perOpenDay.${clock}: not given, so limits.${clock} gives no day unless already passed`)
      const toGo = life - usedSoFar
      passages.push({
        name: clock,
        dayAt: (chance) => {
          if (toGo <= 0) return today
          const daily = rate ? dailyAt(rate, 1 - chance) : 0
          return daily > 0 ? nthOpenDay(open, today, toGo / daily, 2 * horizonDays) : null
        },
      })
    }
    if (limits.months !== undefined) {
      const lifeMonths = limits.months * lifeMultiplier
      const end = addMonths(fitted, lifeMonths)
      shares.months = monthsBetween(fitted, today) / lifeMonths
      passages.push({ name: 'months', dayAt: () => end })
      add({
        what: 'Over by age',
        value: fromDay(end),
        formula: `{1} + ${lifeMonths} months`,
        origin: 'reckoned',
      })
    }
    const window = dueWindow(passages)
    const result: Record<string, unknown> = { shares }
    if (window && window.due.p50 - today <= horizonDays) {
      const { p10, p50, p90 } = window.due
      result.due = {
        p10: fromDay(p10),
        p50: fromDay(p50),
        ...(p90 - today <= horizonDays && { p90: fromDay(p90) }),
      }
      result.governing = window.governing
      add({
        what: 'Due',
        value: fromDay(p50),
        unit: `by ${window.governing}`,
        formula: 'the first limit passed',
        origin: 'reckoned',
      })
    } else {
      warnings.push('limits: none is reached within ten years')
    }
    return { result, working: lines, ...(warnings.length > 0 && { warnings }) }
  },
})

/** Daily use at a quantile: gamma with the given mean and standard deviation. */
function dailyAt(rate: { mean: number; sd: number }, chance: number): number {
  if (rate.mean === 0 || rate.sd === 0) return rate.mean
  return gammaQuantile(chance, (rate.mean / rate.sd) ** 2, rate.mean / rate.sd ** 2)
}
