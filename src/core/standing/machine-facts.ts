import { kindById } from '../kinds/index.ts'
import type { Kind } from '../kinds/kind.ts'
import { bodyOf, isKind } from '../ledger/upcast.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import type { School } from '../wear/limits.ts'
import { type CounterLine, counterLine } from './counter-line.ts'
import {
  entriesAt,
  type Found,
  type Histories,
  type Level,
  latestDay,
  nearestSetting,
  type SiteOpening,
  siteOpening,
} from './histories.ts'
import { type WaterBudget, waterBudget } from './water-budget.ts'

/** What every duty of a machine is reckoned from. */
export interface MachineFacts {
  kind: Kind
  histories: Histories
  asOf: LocalDay
  asOfDay: number
  opening: SiteOpening
  use: CounterLine
  budget: WaterBudget
  shares: { value: number[]; level: Level | 'catalogue' }
  school: { value: School; level: Level | 'catalogue' }
}

/** @returns null for a machine that was never taken on, or whose kind does not ship */
export function machineFacts(histories: Histories): MachineFacts | null {
  const entries = entriesAt(histories, 'machine')
  const taken = entries.find(isKind('commissioned'))
  const kind = taken ? kindById(bodyOf(taken).kind) : null
  const asOf = latestDay(histories)
  if (!taken || !kind || !asOf) return null
  const opening = siteOpening(histories)
  const asOfDay = toDay(asOf)
  const start = toDay(taken.happenedOn)
  const use = counterLine(entries, 'shots', opening.openDays, kind.drinksPerOpenDay.p50, asOfDay, start)
  const metered = entries.some((entry) => isKind('reading')(entry) && bodyOf(entry).counter === 'litres')
  const meter = metered ? counterLine(entries, 'litres', opening.openDays, 10, asOfDay, start) : null
  const shares = nearestSetting(histories, 'group-share')
  return {
    kind,
    histories,
    asOf,
    asOfDay,
    opening,
    use,
    budget: waterBudget(kind, histories, use, meter),
    shares: shares
      ? { value: shares.body.shares, level: shares.level }
      : { value: kind.groupShares, level: 'catalogue' },
    school: schoolOf(nearestSetting(histories, 'school')),
  }
}

/** The school of when to act; "usual" unless somebody chose. */
export const schoolOf = (found: Found<'school'> | null): MachineFacts['school'] =>
  found ? { value: found.body.school, level: found.level } : { value: 'usual', level: 'catalogue' }
