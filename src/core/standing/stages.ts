import type { Stage } from '../ledger/stage.ts'
import { fromDay, type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from './histories.ts'

/** Where a machine or softener stands in its life. */
export interface StageNow {
  stage: Stage
  /** Since when; null where it has worked from the start. */
  since: LocalDay | null
  /** Days it stood before it was set going again; absent where it never stood. */
  stoodDays?: number
}

/** What each stage does to the dates, as a technician is told before choosing it. */
export const stageEffect: Record<Stage, string> = {
  working: 'Every clock runs. After more than three days of standing a flush is due before the first drink.',
  still:
    'Nothing is drawn, so counts and litres stop. Age goes on: rubber ages and water stands whether it runs or not.',
  winterised:
    'Drained and put away: counts and litres stop and nothing is asked for. What age made due comes up when it runs again.',
  workshop:
    'Away from its place: counts and litres stop and nothing is asked for there. What age made due comes up when it runs again.',
  retired: 'Nothing is asked for any more. The history stays.',
}

export const stageName: Record<Stage, string> = {
  working: 'working',
  still: 'standing still',
  winterised: 'winterised',
  workshop: 'in the workshop',
  retired: 'retired',
}

/** The stage it is in, from its own entries. */
export function stageNow(histories: Histories, level: 'machine' | 'softener'): StageNow {
  const changes = ofKind(histories, level, 'stage')
  const last = changes.at(-1)
  if (!last) return { stage: 'working', since: null }
  const now: StageNow = { stage: last.body.stage, since: last.happenedOn }
  const stood = standstills(histories, level).at(-1)
  if (now.stage === 'working' && stood) now.stoodDays = toDay(last.happenedOn) - toDay(stood.from)
  return now
}

/** A day nobody plans for: the end of a standstill that has none yet. */
const openEnd = '9999-12-31'

/** Stretches of days on which it did not run, both ends in; closures of its own. */
export function standstills(histories: Histories, level: 'machine' | 'softener'): { from: LocalDay; to: LocalDay }[] {
  const stretches: { from: LocalDay; to: LocalDay }[] = []
  let from: LocalDay | null = null
  for (const change of ofKind(histories, level, 'stage')) {
    const works = change.body.stage === 'working'
    if (!works) from ??= change.happenedOn
    if (works && from !== null) {
      // Set going again on the day it was stopped: it never stood.
      if (change.happenedOn > from) stretches.push({ from, to: fromDay(toDay(change.happenedOn) - 1) })
      from = null
    }
  }
  if (from !== null) stretches.push({ from, to: openEnd })
  return stretches
}

/** Since when nothing is asked for because it is away: drained and put away, or in the workshop. */
export const putAwayOn = ({ stage, since }: StageNow): string | false =>
  (stage === 'winterised' || stage === 'workshop') && since!
