import { addMonths, fromDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import type { Add } from '../quantity/working.ts'
import type { RunningClock } from './task-clocks.ts'
import type { policyFigure } from './water/set-figure.ts'

/** The clock of age of what stands before the machines: so many months from a day on. */
export function ageClock(
  since: string,
  asOfDay: number,
  cap: ReturnType<typeof policyFigure>,
  what: string,
  add: Add,
): RunningClock {
  const from = toDay(since)
  const end = addMonths(from, cap.value)
  const interval = add(() => cap.line(what))
  return {
    use: { clock: 'months', used: monthsBetween(from, asOfDay), limit: cap.value, unit: 'months', perDay: 1 / 30.4375 },
    passage: { name: 'months', fixed: true, dayAt: () => end },
    leftLine: add(() => ({
      what: 'Over by age',
      value: fromDay(end),
      formula: `${since} + {${interval}}`,
      origin: 'reckoned',
    })),
  }
}
