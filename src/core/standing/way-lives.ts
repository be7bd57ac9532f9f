import type { LocalDay } from '../quantity/local-day.ts'
import type { Clock } from '../wear/limits.ts'
import { type Found, type Histories, type Level, waysChosen } from './histories.ts'

/** How often the way that somebody chose has a task done. */
export interface WayLife {
  /** By its name. */
  way: string
  rhythm: Rhythm
  level: Level
  on: LocalDay
}

type Rhythm = NonNullable<Found<'way'>['body']['rhythm']>

/** Days of a month of the calendar, as the clocks by age count them. */
const daysPerMonth = 30.4375

/**
 * Tasks whose rhythm is that of the way chosen for them here. Empty where nobody chose a way: then the catalogue's
 * clocks hold.
 *
 * @example wayLives(histories).get('detergent-backflush')?.rhythm.days // 1
 */
export function wayLives(histories: Histories): Map<string, WayLife> {
  const lives = new Map<string, WayLife>()
  for (const { body, level, on } of waysChosen(histories))
    for (const task of body.rhythm?.tasks ?? [])
      if (!lives.has(task)) lives.set(task, { way: body.name ?? body.way, rhythm: body.rhythm!, level, on })
  return lives
}

/** The clocks a rhythm speaks of, each with its limit. @example clocksOf({ tasks: [], words: 'weekly', days: 7 }) */
export function clocksOf({ days, drinks, litres }: Rhythm): Map<Clock, number> {
  const clocks = new Map<Clock, number>()
  if (drinks !== undefined) clocks.set('shots', drinks)
  if (litres !== undefined) clocks.set('litres', litres)
  if (days !== undefined) clocks.set('months', days / daysPerMonth)
  return clocks
}
