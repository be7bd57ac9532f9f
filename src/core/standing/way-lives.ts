import type { Kind } from '../kinds/kind.ts'
import { type Every, rootOf, type School, writtenBy } from '../procedures/procedure.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Clock } from '../wear/limits.ts'
import { type Histories, type Level, nearestWay, settingsOf } from './histories.ts'
import { libraryHere } from './own-procedures.ts'

/** How often the way that somebody chose has a task done. */
export interface WayLife {
  way: Pick<School, 'id' | 'name'>
  every: Every
  level: Level
  on: LocalDay
}

/** Days of a month of the calendar, as the clocks by age count them. */
const daysPerMonth = 30.4375

/**
 * Tasks whose rhythm is that of the way chosen for them here: each procedure's first task, whatever else it does
 * beside it. Empty where nobody chose a way: then the catalogue's clocks hold.
 *
 * @example wayLives(histories, c2).get('detergent-backflush')?.every.days // 1
 */
export function wayLives(histories: Histories, kind: Kind): Map<string, WayLife> {
  const lives = new Map<string, WayLife>()
  if (settingsOf(histories, 'way').length === 0) return lives
  const base = kind.basedOn ?? kind.id
  for (const procedure of libraryHere(histories)) {
    if (!procedure.kinds.includes(base)) continue
    const chosen = nearestWay(histories, rootOf(procedure))
    const way = chosen && procedure.schools.find(({ id }) => id === chosen.body.school)
    const first = way && writtenBy(procedure, way)[0]
    if (!first || !way.every || clocksOf(way.every).size === 0) continue
    const { level, on } = chosen
    lives.set(first.taskOf?.[base] ?? first.task, { way, every: way.every, level, on })
  }
  return lives
}

/** The clocks a rhythm speaks of, each with its limit. @example clocksOf({ words: 'weekly', days: 7, mark: 'T' }) */
export function clocksOf({ days, drinks, litres }: Every): Map<Clock, number> {
  const clocks = new Map<Clock, number>()
  if (drinks !== undefined) clocks.set('shots', drinks)
  if (litres !== undefined) clocks.set('litres', litres)
  if (days !== undefined) clocks.set('months', days / daysPerMonth)
  return clocks
}
