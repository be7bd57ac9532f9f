import type { Kind } from '../kinds/kind.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import type { Policy } from '../wear/limits.ts'
import { type CounterLine, counterLine } from './counter-line.ts'
import { groupsCounted } from './drink-mix.ts'
import {
  cameOn,
  type Found,
  type Histories,
  type Level,
  latestDay,
  nearestSetting,
  ofKind,
  ownPolicy,
  settingsOf,
} from './histories.ts'
import { machineKind } from './machine-kind.ts'
import { type SiteOpening, siteOpening } from './site-opening.ts'
import { type StageNow, stageNow } from './stages.ts'
import type { WaterKnown } from './standing.ts'
import { type WaterBudget, waterBudget } from './water-budget.ts'
import { waterKnown } from './water-known.ts'
import { type WayLife, wayLives } from './way-lives.ts'

/** What every task of a machine is reckoned from. */
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
  shares: { value: number[]; level: Level | 'catalogue' | 'counted'; counted?: number }
  /** Whether anybody set a life of their own, anywhere: most never did. */
  hasOwnLives: boolean
  /** The same of how often what nobody counts happens, and of policies chosen for one part. */
  hasAlongCounts: boolean
  hasOwnPolicies: boolean
  policy: { value: Policy; level: Level | 'catalogue' }
  /** Tasks whose rhythm is that of a way chosen here, see `wayLives`. */
  wayLives: Map<string, WayLife>
  stage: StageNow
  /** Whether somebody will read the arithmetic. */
  showWorking: boolean
}

/**
 * @param own - whose reckoning it is for: a softener's knows a machine by what reaches the softener
 * @returns null for a machine that was never taken on, or whose kind does not ship
 */
export function machineFacts(histories: Histories, showWorking = true, own: Level = 'machine'): MachineFacts | null {
  const taken = ofKind(histories, 'machine', 'commissioned')[0]
  const kind = machineKind(histories)
  const asOf = latestDay(histories, own)
  if (!taken || !kind || !asOf) return null
  const readings = ofKind(histories, 'machine', 'reading')
  const opening = siteOpening(histories)
  const asOfDay = toDay(asOf)
  const start = toDay(taken.happenedOn)
  const movedOn = cameOn(histories)
  const use = counterLine(
    readings,
    'shots',
    opening.openDays,
    kind.drinksPerOpenDay.p50,
    asOfDay,
    start,
    movedOn,
    kind.counter.shows?.each,
  )
  const metered = readings.some((entry) => entry.body.counter === 'litres')
  const meter = metered ? counterLine(readings, 'litres', opening.openDays, 10, asOfDay, start, movedOn) : null
  return {
    kind,
    histories,
    asOf,
    asOfDay,
    opening,
    use,
    totalNow: use.totalAt(asOfDay),
    budget: waterBudget(kind, histories, readings, use, meter),
    water: waterKnown(histories),
    shares: groupShares(kind, readings, nearestSetting(histories, 'group-share')),
    hasOwnLives: settingsOf(histories, 'life').length > 0,
    hasAlongCounts: settingsOf(histories, 'along-count').length > 0,
    hasOwnPolicies: settingsOf(histories, 'policy').some(({ task }) => task !== undefined),
    policy: policyOf(ownPolicy(histories, null)),
    wayLives: wayLives(histories),
    stage: stageNow(histories, 'machine'),
    showWorking,
  }
}

/** What each group takes: as somebody said, else as its own counters show, else as its kind usually has it. */
function groupShares(
  kind: Kind,
  readings: Parameters<typeof groupsCounted>[0],
  said: Found<'group-share'> | null,
): MachineFacts['shares'] {
  if (said && said.body.shares.length === kind.groups) return { value: said.body.shares, level: said.level }
  const seen = kind.groups > 1 ? groupsCounted(readings, kind.groupShares) : null
  return seen
    ? { value: seen.shares, level: 'counted', counted: seen.counted }
    : { value: kind.groupShares, level: 'catalogue' }
}

/** The policy of when to act; "usual" unless somebody chose. */
export const policyOf = (found: Found<'policy'> | null): MachineFacts['policy'] =>
  found ? { value: found.body.policy, level: found.level } : { value: 'usual', level: 'catalogue' }
