import type { Kind } from '../kinds/kind.ts'
import { bodyOf } from '../ledger/upcast.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import type { School } from '../wear/limits.ts'
import { type CounterLine, counterLine } from './counter-line.ts'
import {
  type Found,
  type Histories,
  type Level,
  latestDay,
  nearestSetting,
  ofKind,
  ownSchool,
  settingsOf,
} from './histories.ts'
import { machineKind } from './machine-kind.ts'
import { type SiteOpening, siteOpening } from './site-opening.ts'
import { type StageNow, stageNow } from './stages.ts'
import type { WaterKnown } from './standing.ts'
import { type WaterBudget, waterBudget } from './water-budget.ts'
import { waterKnown } from './water-known.ts'

/** What every duty of a machine is reckoned from. */
export interface MachineFacts {
  kind: Kind
  histories: Histories
  asOf: LocalDay
  asOfDay: number
  opening: SiteOpening
  use: CounterLine
  /** Total moved by the day of reckoning: every clock asks. */
  totalNow: number
  budget: WaterBudget
  water: WaterKnown
  shares: { value: number[]; level: Level | 'catalogue' }
  /** Whether anybody set a life of their own, anywhere: most never did. */
  hasOwnLives: boolean
  /** The same of how often what nobody counts happens, and of schools chosen for one part. */
  hasAlongCounts: boolean
  hasOwnSchools: boolean
  school: { value: School; level: Level | 'catalogue' }
  stage: StageNow
  /** Whether somebody will read the arithmetic. */
  showWorking: boolean
}

/** @returns null for a machine that was never taken on, or whose kind does not ship */
export function machineFacts(histories: Histories, showWorking = true): MachineFacts | null {
  const taken = ofKind(histories, 'machine', 'commissioned')[0]
  const kind = machineKind(histories)
  const asOf = latestDay(histories)
  if (!taken || !kind || !asOf) return null
  const readings = ofKind(histories, 'machine', 'reading')
  const opening = siteOpening(histories)
  const asOfDay = toDay(asOf)
  const start = toDay(taken.happenedOn)
  const movedOn = ofKind(histories, 'machine', 'moved')
    .filter((entry) => bodyOf(entry).fromSiteId !== bodyOf(entry).toSiteId)
    .map((entry) => toDay(entry.happenedOn))
  const use = counterLine(readings, 'shots', opening.openDays, kind.drinksPerOpenDay.p50, asOfDay, start, movedOn)
  const metered = readings.some((entry) => bodyOf(entry).counter === 'litres')
  const meter = metered ? counterLine(readings, 'litres', opening.openDays, 10, asOfDay, start, movedOn) : null
  const shares = nearestSetting(histories, 'group-share')
  return {
    kind,
    histories,
    asOf,
    asOfDay,
    opening,
    use,
    totalNow: use.totalAt(asOfDay),
    budget: waterBudget(kind, histories, use, meter),
    water: waterKnown(histories),
    shares:
      shares && shares.body.shares.length === kind.groups
        ? { value: shares.body.shares, level: shares.level }
        : { value: kind.groupShares, level: 'catalogue' },
    hasOwnLives: settingsOf(histories, 'life').length > 0,
    hasAlongCounts: settingsOf(histories, 'along-count').length > 0,
    hasOwnSchools: settingsOf(histories, 'school').some(({ duty }) => duty !== undefined),
    school: schoolOf(ownSchool(histories, null)),
    stage: stageNow(histories, 'machine'),
    showWorking,
  }
}

/** The school of when to act; "usual" unless somebody chose. */
export const schoolOf = (found: Found<'school'> | null): MachineFacts['school'] =>
  found ? { value: found.body.school, level: found.level } : { value: 'usual', level: 'catalogue' }
