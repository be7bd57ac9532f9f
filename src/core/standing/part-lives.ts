import { instances } from '../kinds/index.ts'
import type { Task } from '../kinds/kind.ts'
import type { Entry } from '../ledger/entry.ts'
import { isKind } from '../ledger/is-kind.ts'
import type { Lifetime } from '../lifetimes/lifetime.ts'
import { type LocalDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import { materialOf } from './fitted-material.ts'
import { ofKind, touching } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'
import { litresBetween } from './water-budget.ts'

/** The clock a part's lives are told by: its count where it has one, else its litres, else its age. */
export type LifeClock = 'shots' | 'litres' | 'months'

export const lifeClock = ({ limits }: Task): LifeClock | null =>
  limits.shots ? 'shots' : limits.litres ? 'litres' : limits.months ? 'months' : null

/** One part from the day it was fitted: until it came out, or still in. */
export interface PartLife extends Lifetime {
  since: LocalDay
  until: LocalDay | null
  /** How it ended. */
  how: 'failed' | 'worn' | 'planned' | 'still in'
  /** Which of several. */
  index?: number
}

export interface PartLives {
  lives: PartLife[]
  /** Left out: fitted before anybody knew when, or fitted wrongly. */
  unknownAge: number
  fittedWrongly: number
}

/** Out again so soon, it was the fitting and not the part. From memory. */
const fittingShots = 50
const fittingDays = 7
/** Seen so worn when it came out, it had reached its end. */
const wornFrom = 3

/**
 * Every life of a part that one machine's ledger tells of. Those still in, and those changed while good, were good
 * when last known. One found worn out at a visit is dated by that visit: later than it happened by half the time
 * between two visits, on average, and not corrected for.
 */
export function partLives(facts: MachineFacts, task: Task): PartLives {
  const clock = lifeClock(task)
  const told: PartLives = { lives: [], unknownAge: 0, fittedWrongly: 0 }
  if (!clock || task.action !== 'replace' || !task.part) return told
  const many = task.each ? instances(facts.kind, task.each) : 1
  const entries = touching(facts.histories, 'machine', task.part)
  const taken = ofKind(facts.histories, 'machine', 'commissioned')[0]!
  const materials = facts.kind.parts.find(({ id }) => id === task.part)?.variants ?? []
  const first = materials[0]
  for (let index = 1; index <= many; index += 1) {
    const here = entries.filter(({ body }) => (('group' in body && body.group) || 1) === index)
    let since: { on: LocalDay; variant: string | undefined } | null = taken.body.partsNew
      ? { on: taken.happenedOn, variant: first }
      : null
    const close = (until: Entry | null, how: PartLife['how']) => {
      const ours = !task.variant || (since?.variant ?? first) === task.variant
      if (!since) {
        if (until) told.unknownAge += 1
        return
      }
      if (!ours) return
      const to = until ? toDay(until.happenedOn) : facts.asOfDay
      const from = toDay(since.on)
      const wrongly =
        until !== null &&
        how !== 'planned' &&
        (to - from <= fittingDays ||
          (clock === 'shots' && usedBetween(facts, clock, index, task, from, to) <= fittingShots))
      if (wrongly) {
        told.fittedWrongly += 1
        return
      }
      const time = usedBetween(facts, clock, index, task, from, to)
      if (time <= 0) return
      told.lives.push({
        time,
        failed: how === 'failed' || how === 'worn',
        since: since.on,
        until: until?.happenedOn ?? null,
        how,
        ...(many > 1 && { index }),
      })
    }
    let out = false
    for (const entry of here) {
      if (isKind('removed')(entry)) {
        const { condition, why } = entry.body
        if (why === 'fitting') {
          told.fittedWrongly += 1
        } else {
          const how = why ?? (condition === 4 ? 'failed' : (condition ?? 0) >= wornFrom ? 'worn' : 'planned')
          close(entry, how)
        }
        since = null
        out = true
      } else if (isKind('fitted')(entry)) {
        // A new one without a word of the old: it was still good as far as anybody said.
        if (!out) close(entry, 'planned')
        const noted = entry.body.variant
        since = {
          on: entry.happenedOn,
          variant: noted ? materialOf(materials, noted).material : (since?.variant ?? first),
        }
        out = false
      }
    }
    if (since && !out) close(null, 'still in')
  }
  return told
}

function usedBetween(
  facts: MachineFacts,
  clock: LifeClock,
  index: number,
  task: Task,
  from: number,
  to: number,
): number {
  const share = task.each === 'group' ? (facts.shares.value[index - 1] ?? 1) : 1
  const { use, budget } = facts
  if (clock === 'months') return monthsBetween(from, to)
  const drinks = Math.max(0, use.totalAt(to) - use.totalAt(from)) * share
  if (clock === 'shots') return drinks
  return task.litresOf === 'group'
    ? (drinks * budget.brewMlPerDrink * budget.factor) / 1000
    : Math.max(0, litresBetween(budget, use, from, to))
}
