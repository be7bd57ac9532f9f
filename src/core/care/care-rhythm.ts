import type { Rhythm } from '../kinds/care-words.ts'
import type { Task } from '../kinds/kind.ts'
import type { CareTerms } from './care-terms.ts'

const daysPerMonth = 30.44

/** Days after which the first of a task's clocks runs out, at this machine's traffic. */
export function everyDays({ limits }: Pick<Task, 'limits'>, { drinksPerOpenDay, policy }: CareTerms): number {
  const byCount = limits.shots ? limits.shots[policy] / Math.max(drinksPerOpenDay, 0.01) : Number.POSITIVE_INFINITY
  const byTime = limits.months ? limits.months[policy] * daysPerMonth : Number.POSITIVE_INFINITY
  return Math.max(1, Math.min(byCount, byTime))
}

export const rhythmOf = (days: number): Rhythm => (days <= 1.5 ? 'day' : days <= 10 ? 'week' : 'month')

export function daysWords(days: number): string {
  if (days <= 1.5) return 'day'
  if (days < 12) return `${Math.round(days)} days`
  if (days < 50) return `${Math.round(days / 7)} weeks`
  return `${Math.round(days / daysPerMonth)} months`
}

/** Whether the words say more than the heading they come under. */
export const repeats = (every: string): boolean => !['each use', 'daily', 'weekly', 'monthly'].includes(every)
