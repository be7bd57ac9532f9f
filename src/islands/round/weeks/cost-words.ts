import { figure } from '../../../ui/format.ts'
import { money } from '../../../ui/money.ts'

/**
 * A cost as the firm wants to see it: in minutes of its time, or as what these cost.
 * @param perMinute - what a minute costs; null: in minutes
 * @example costWords(12.4, null) // '12 min'
 */
export const costWords = (minutes: number, perMinute: number | null): string =>
  perMinute === null ? `${costFigure(minutes, null)} min` : costFigure(minutes, perMinute)

/** The same under a head that names the unit. */
export const costFigure = (minutes: number, perMinute: number | null): string =>
  perMinute === null ? figure(Math.round(minutes)) : money(Math.round(minutes * perMinute))
