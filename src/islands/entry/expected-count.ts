import { toDay } from '../../core/quantity/local-day.ts'
import { numberIn } from '../../core/typed/read-as.ts'
import type { OpenDays } from '../../core/usage/open-days.ts'
import { figure } from '../../ui/format.ts'

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

/** A verdict in words. It never blocks: what was read was read. */
export function verdict(
  text: string,
  expected: Expected | null,
): { words: string; under: string; doubtful: boolean } | null {
  const count = numberIn(text, { whole: true })
  if (!text.trim() || count === null) return null
  if (!expected) return { words: 'first reading here', under: 'a second one gives the use a day', doubtful: false }
  const rise = count - expected.last
  if (rise < 0)
    return {
      words: `below the last, ${figure(expected.last)}`,
      under: 'a typing error, or a new board? Kept and marked.',
      doubtful: true,
    }
  const perDay = expected.days > 0 ? `${figure(Math.round(rise / expected.days))} an open day` : 'same day'
  const wide = expected.value + 4 * (expected.high - expected.value)
  if (count > wide)
    return { words: `far above: ${perDay}`, under: 'one digit too many? Kept and marked.', doubtful: true }
  if (count > expected.high || count < expected.low)
    return {
      words: `${count > expected.high ? 'more' : 'less'} than usual: ${perDay}`,
      under: `expected about ${figure(Math.round(expected.value))}`,
      doubtful: false,
    }
  return { words: `fits: ${perDay}`, under: `over ${expected.days} open days`, doubtful: false }
}
