import type { OpenDays } from '../core/usage/open-days.ts'
import { historyDays, season } from './calendar.ts'
import type { Dice } from './dice.ts'

/** What a machine's counter truly shows at the start of each day of the history. */
export interface CounterLife {
  at(day: number): number
}

/**
 * Pours a machine's drinks day by day: season, weekday scatter, busy weeks; a board swap starts the
 * counter anew.
 */
export function counterLife(
  dice: Dice,
  open: OpenDays,
  options: { pace: number; firstDay: number; endDay: number; startCount: number; swapDay?: number },
): CounterLife {
  const { pace, firstDay, endDay, startCount, swapDay } = options
  const counts: number[] = []
  let count = startCount
  let mood = 0
  for (let day = firstDay; day <= endDay; day += 1) {
    if (day === swapDay) count = 0
    counts.push(Math.round(count))
    mood = 0.85 * mood + dice.normal(0, 0.05)
    if (open.count(day, day + 1) === 0) continue
    const mean = pace * season(day) * Math.max(0.4, 1 + mood)
    count += Math.max(0, Math.round(dice.normal(mean, Math.sqrt(mean) + 0.06 * mean)))
  }
  return { at: (day) => counts[Math.min(Math.max(day - firstDay, 0), historyDays)] ?? 0 }
}

/** A count as a tired thumb types it: two digits swapped, or one struck twice. */
export function mistyped(dice: Dice, count: number): number {
  const digits = String(count)
  if (digits.length < 3) return count * 10
  const at = dice.whole(1, digits.length - 2)
  const struckTwice = digits.slice(0, at) + digits[at] + digits.slice(at)
  const swapped = digits.slice(0, at) + digits[at + 1] + digits[at] + digits.slice(at + 2)
  return Number(dice.chance(0.6) ? struckTwice : swapped)
}
