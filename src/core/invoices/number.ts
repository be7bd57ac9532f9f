import type { LocalDay } from '../quantity/local-day.ts'

/** How series begin where the firm said nothing of its own. */
export const usualSeries = { invoice: '{year}-', 'credit-note': 'C{year}-' } as const

/**
 * The series a number is given in: its beginning with the year of the day it is issued.
 * @example seriesOn('R{year}-', '2026-11-26') // 'R2026-'
 */
export const seriesOn = (pattern: string, issuedOn: LocalDay): string => pattern.replace('{year}', issuedOn.slice(0, 4))

/** A number of a series, wide enough to sort as text for years. @example numberOf('R2026-', 7) // 'R2026-0007' */
export const numberOf = (series: string, n: number): string => `${series}${String(n).padStart(4, '0')}`

/** How numbers of service reports begin. */
const reportSeries = 'R{year}-'

/** The number of a service report. @example reportNumberOf('2026-11-26', 42) // 'R2026-0042' */
export const reportNumberOf = (closedOn: LocalDay, n: number): string => numberOf(seriesOn(reportSeries, closedOn), n)
