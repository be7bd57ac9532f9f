import type { Outcome, Test } from './fault.ts'

/**
 * Which outcome a reading is.
 *
 * @returns null for a test that is not read as a number
 * @example outcomeOf(openFlow, 42)?.id // 'low'
 */
export function outcomeOf(test: Test, value: number): Outcome | null {
  if (!test.reads) return null
  return test.outcomes.findLast(({ from }) => value >= (from ?? 0)) ?? test.outcomes[0]!
}
