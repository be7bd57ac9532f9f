import type { LocalDay } from '../core/quantity/local-day.ts'
import type { ClockUse, Standing } from '../core/standing/standing.ts'
import { daysUntil, halfWidth } from './format.ts'

/** Overdue is red, within sixty days brass, the rest water: and each says so in words. */
export type Urgency = 'overdue' | 'soon' | 'later' | 'none'

const soonDays = 60

export function urgencyOf(due: Standing['due'], today: LocalDay): Urgency {
  if (!due) return 'none'
  const days = daysUntil(due.p50, today)
  return days < 0 ? 'overdue' : days <= soonDays ? 'soon' : 'later'
}

/**
 * How long it lasts, as it is written under a lifeline.
 *
 * @param unseen - nobody knows how old it is, and nobody has seen it yet
 * @example '41 d ±9'
 */
export function lasts(due: Standing['due'], today: LocalDay, unseen: boolean | undefined = false): string {
  if (!due) return unseen ? 'age ?' : 'over 10 y'
  const days = daysUntil(due.p50, today)
  const spread = halfWidth(due)
  if (days < 0) return `overdue ${-days} d`
  if (unsure(due, today)) return unsureShort(due, today)
  if (days < 365) return spread > 0 ? `${days} d ±${spread}` : `${days} d`
  const months = Math.round(days / 30.44)
  const monthsSpread = Math.round(spread / 30.44)
  return monthsSpread > 0 ? `${months} mo ±${monthsSpread}` : `${months} mo`
}

/** Half a window in words: beyond a year days say nothing. @example spreadWords(2124) // '± 6 y' */
export const spreadWords = (days: number): string => (days < 365 ? `± ${days} d` : `± ${Math.round(days / 365.25)} y`)

/** A date that is no better known than that it may as well be now or twice as far. */
export const unsure = (due: NonNullable<Standing['due']>, today: LocalDay): boolean =>
  halfWidth(due) > Math.max(120, daysUntil(due.p50, today))

/** @example 'not known yet: about a year, or much later' */
export function unsureWords(due: NonNullable<Standing['due']>, today: LocalDay): string {
  const months = Math.max(1, Math.round(daysUntil(due.p50, today) / 30.44))
  const about =
    months < 11
      ? `${months} ${months === 1 ? 'month' : 'months'}`
      : months < 18
        ? 'a year'
        : `${Math.round(months / 12)} years`
  return `not known yet: about ${about}, or much later`
}

/** The same where there is room for twelve letters only. @example '3 mo or more' */
export function unsureShort(due: NonNullable<Standing['due']>, today: LocalDay): string {
  const months = Math.max(1, Math.round(daysUntil(due.p50, today) / 30.44))
  return months < 11 ? `${months} mo or more` : `${Math.max(1, Math.round(months / 12))} y or more`
}

/** Whole where it counts things, with its digits where a limit is a fraction. @example wholeOrNot(0.66, 1) // 0.66 */
export const wholeOrNot = (used: number, limit: number): number => (limit < 20 ? used : Math.round(used))

export const urgencyColour: Record<Urgency, string> = {
  overdue: 'var(--seal)',
  soon: 'var(--brass)',
  later: 'var(--water)',
  none: 'var(--water)',
}

/** The same as a class, for words that are no drawing's: pages carry no styles of their own. */
export const urgencyText: Record<Urgency, string> = {
  overdue: 'text-seal-ink',
  soon: 'text-brass-ink',
  later: 'text-ink',
  none: 'text-second',
}

/** For words, which need more contrast than a bar. */
export const urgencyInk: Record<Urgency, string> = {
  overdue: 'var(--seal-ink)',
  soon: 'var(--brass-ink)',
  later: 'var(--ink)',
  none: 'var(--second)',
}

/** What a clock stands at on a later day than it was reckoned for, at the mean pace. */
export const usedOn = (use: ClockUse, asOf: LocalDay, today: LocalDay): number =>
  use.used + use.perDay * Math.max(0, daysUntil(today, asOf))

/** Share of the governing life used today, 0–…; of the fullest clock where none governs. */
export function usedShare(standing: Standing, today: LocalDay): number {
  const governing = standing.uses.find((use) => use.clock === standing.governing)
  const uses = governing ? [governing] : standing.uses
  return Math.max(0, ...uses.map((use) => usedOn(use, standing.asOf, today) / use.limit))
}
