import { type AlongClock, alongWords, type Clock, clocks, type Policy, type PolicyLimits } from '../core/wear/limits.ts'
import { figure } from './format.ts'
import { quantityWords } from './quantity.ts'

/** A time as people say it. @example monthsWords(0.25) // 'week' */
function monthsWords(months: number): string {
  const days = Math.round(months * 30.4375)
  if (days <= 1) return 'day'
  if (days < 7) return `${days} days`
  if (months < 0.9) {
    const weeks = Math.round(days / 7)
    return weeks === 1 ? 'week' : `${weeks} weeks`
  }
  return months === 1 ? 'month' : `${figure(months)} months`
}

/** What one clock allows. @param drinks - what the counter counts */
export function limitWords(clock: Clock, value: number, drinks: string): string {
  if (clock === 'months') return monthsWords(value)
  if (clock === 'litres') return quantityWords(value, 'L')
  if (clock === 'shots') return `${figure(value)} ${drinks}`
  if (clock === 'detergentCycles') return `${figure(value)} detergent cycles`
  return `${figure(value)} ${alongWords[clock as AlongClock].unit}`
}

/** How often something is due by one policy: the first of its clocks. @example everyWords(limits, 'usual', 'shots') */
export const everyWords = (limits: PolicyLimits, policy: Policy, drinks: string): string =>
  clocks.flatMap((clock) => (limits[clock] ? [limitWords(clock, limits[clock][policy], drinks)] : [])).join(' or ')
