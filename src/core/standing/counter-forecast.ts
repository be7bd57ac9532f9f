import { meanRate } from '../usage/rate.ts'
import type { CounterLine } from './counter-line.ts'

/** A count ahead, and the days it is passed by: one time in ten, in two, nine times in ten. */
export interface CountAhead {
  count: number
  early: number
  likely: number
  late: number
}

const steps = 6
/** A quarter of a year is as far as a round is planned. */
const usualOpenDays = 75

/**
 * Where a counter will stand from its last reading on.
 *
 * @param openDaysAhead - how far, at the usual pace
 * @returns nothing before it was read; counts nobody will see within ten years are left out
 * @example counterForecast(facts.use).at(-1) // { count: 128_400, early: 20_850, likely: 20_858, late: 20_867 }
 */
export function counterForecast(line: CounterLine, openDaysAhead = usualOpenDays): CountAhead[] {
  const { last, rate } = line
  if (!last) return []
  return Array.from({ length: steps }, (_, i) => {
    const amount = (meanRate(rate) * openDaysAhead * (i + 1)) / steps
    const [early, likely, late] = [0.1, 0.5, 0.9].map((chance) => line.dayAfter(last.day, amount, chance))
    return { count: Math.round(last.count + amount / (1 - line.rinseShare)), early, likely, late }
  }).filter((ahead): ahead is CountAhead => ahead.early !== null && ahead.likely !== null && ahead.late !== null)
}
