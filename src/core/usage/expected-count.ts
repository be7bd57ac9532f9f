import { toDay } from '../quantity/local-day.ts'
import type { OpenDays } from './open-days.ts'

/** What the counter should show today, and what to say of what was typed. */
export interface Expected {
  last: number
  low: number
  value: number
  high: number
  days: number
}

/** The window eight readings in ten fall into, from the rate and the days' scatter. */
export function expectedCount(
  counter: { count: number; on: string; rinseShare?: number; each?: number },
  use: { mean: number; sd: number },
  open: OpenDays,
  on: string,
): Expected {
  const [from, to] = [toDay(counter.on), toDay(on)]
  const days = Math.max(0, open.plain.count(from, to))
  const busy = Math.max(0, open.count(from, to))
  // The counter moves with rinses too.
  const shown = 1 / (1 - (counter.rinseShare ?? 0)) / (counter.each ?? 1)
  const value = counter.count + use.mean * shown * busy
  const spread = 1.2816 * shown * Math.sqrt((use.sd * busy) ** 2 + 4 * use.mean * Math.max(busy, 1))
  return {
    last: counter.count,
    low: Math.max(counter.count, value - spread),
    value,
    high: value + spread,
    days,
  }
}
