import type { FaultBook } from './fault.ts'
import { outcomeOf } from './outcome-of.ts'

/**
 * What a test-out read, as answers of the search: each reading that a test of the book reads as well.
 *
 * @param readings - in the unit the measure has; of several groups the last counts
 * @example readingsSeen(c2Faults, [{ measure: 'dead-head', value: 6.5 }]) // [{ test: 'blind-pressure', outcome: 'low', value: 6.5 }]
 */
export function readingsSeen(
  { tests }: FaultBook,
  readings: { measure: string; value: number }[],
): { test: string; outcome: string; value: number }[] {
  const seen = new Map<string, { test: string; outcome: string; value: number }>()
  for (const { measure, value } of readings) {
    const test = tests.find(({ reads, gate }) => reads?.measure === measure && !gate)
    const outcome = test && outcomeOf(test, value)
    if (test && outcome) seen.set(test.id, { test: test.id, outcome: outcome.id, value })
  }
  return [...seen.values()]
}
