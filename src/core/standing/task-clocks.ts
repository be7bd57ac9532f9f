import { addMonths, monthsBetween } from '../quantity/local-day.ts'
import { certainDay, type FirstPassage, nthOpenDay } from '../usage/first-passage.ts'
import { meanRate } from '../usage/rate.ts'
import type { LifePassage, Passage } from '../wear/due-window.ts'
import { type AlongClock, alongClocks, type Clock } from '../wear/limits.ts'
import { type Along, alongADay, alongAfter, alongBetween } from './along.ts'
import { alongCount } from './along-count.ts'
import { detergentRate } from './detergent-rate.ts'
import { ownLife } from './histories.ts'
import { hotHours, hotHoursAMonth } from './hot-hours.ts'
import type { ClockUse, Governing } from './standing.ts'
import type { Life, TaskContext } from './task-context.ts'
import { alongLines, detergentLines, hotLines, litresLines, monthsLines, shotsLines } from './task-lines.ts'
import { litresADay, litresAfter, litresBetween } from './water-budget.ts'
import { clocksOf } from './way-lives.ts'

/** One clock of one task: what is used, when it runs out, and the lines that say so. */
export interface RunningClock {
  use: ClockUse
  passage: Passage<Governing>
  /** Number of the line with what is left, for the closing sentence; 0 where no lines are kept. */
  leftLine: number
}

/** A clock of something that wears: what was seen of it can be held against what it says. */
export interface WearClock extends RunningClock {
  /** How much of it was used on an earlier day. */
  usedOn(day: number): number
  /** When it runs out for a part that lasts so many times as long. */
  scaled(multiplier: number): LifePassage<Governing>
  /** The life of the usual policy; its own limit where that is set. */
  usualLimit: number
}

/** What a clock is made of; the rest follows. */
interface Reading {
  clock: Clock
  unit: string
  life: Life
  usual: number
  perDay: number
  usedOn(day: number): number
  /** When so long a life runs out. */
  after(limit: number): FirstPassage
  fixed?: boolean
  lines(used: number): number
}

function lifeOf({ facts, task, policy }: TaskContext, clock: Clock): { life: Life; usual: number } | null {
  const catalogue = task.limits[clock]
  const own = facts.hasOwnLives ? ownLife(facts.histories, facts.kind.id, task.id, clock) : null
  const most = task.safety && catalogue ? catalogue.longLife : Number.POSITIVE_INFINITY
  if (own) {
    const value = Math.min(own.body.value, most)
    return { life: { value, own }, usual: value }
  }
  // A way somebody chose says how often it is done: its clocks are the task's, and no other.
  const chosen = facts.wayLives.get(task.id)
  if (chosen) {
    const limit = clocksOf(chosen.rhythm).get(clock)
    const { level, on, way } = chosen
    if (limit !== undefined) {
      const value = Math.min(limit, most)
      return { life: { value, own: { level, on, way } }, usual: value }
    }
    if (!task.safety) return null
  }
  return catalogue ? { life: { value: catalogue[policy.value], own: null }, usual: catalogue.usual } : null
}

/** Every clock that governs this task. */
export function runningClocks(context: TaskContext): WearClock[] {
  const running: WearClock[] = []
  const add = (reading: Reading | null) => {
    if (reading) running.push(started(context, reading))
  }
  add(shots(context))
  add(litres(context))
  for (const clock of alongClocks) if (context.task.limits[clock]) add(along(context, clock))
  add(detergent(context))
  add(months(context))
  return running
}

function started({ facts }: TaskContext, reading: Reading): WearClock {
  const { clock, unit, life, usual, perDay, fixed, usedOn, after, lines } = reading
  const used = usedOn(facts.asOfDay)
  const passage = (limit: number): LifePassage<Governing> => {
    const { dayAt, chanceBy } = after(limit)
    return { name: clock, fixed: fixed ?? false, dayAt, chanceBy }
  }
  return {
    use: { clock, used, limit: life.value, unit, perDay },
    passage: passage(life.value),
    leftLine: facts.showWorking ? lines(used) : 0,
    usedOn,
    scaled: (multiplier) => passage(life.value * multiplier),
    usualLimit: usual,
  }
}

const groupShare = ({ facts, index }: TaskContext) => facts.shares.value[(index ?? 1) - 1] ?? 1

function shots(context: TaskContext): Reading | null {
  const found = lifeOf(context, 'shots')
  if (!found) return null
  const { facts, task, since } = context
  const { use, asOfDay, kind } = facts
  const start = since.day
  const share = task.each === 'group' ? groupShare(context) : 1
  const before = use.totalAt(start)
  const mean = meanRate(use.rate) * share
  return {
    clock: 'shots',
    unit: kind.counter.unit,
    ...found,
    perDay: mean * facts.opening.shareOpen,
    usedOn: (day) => Math.max(0, share * ((day === asOfDay ? facts.totalNow : use.totalAt(day)) - before)),
    after: (limit) => use.after(start, limit / share),
    lines: (used) =>
      shotsLines(context, found.life, {
        share,
        used,
        perDay: mean,
        idle: use.last ? use.open.count(use.last.day, asOfDay) : 0,
        moved: (use.last?.total ?? 0) - before,
      }),
  }
}

function litres(context: TaskContext): Reading | null {
  const found = lifeOf(context, 'litres')
  if (!found) return null
  const { facts, task, since } = context
  const { use, budget } = facts
  const start = since.day
  const ofGroup = task.litresOf === 'group'
  const share = ofGroup ? groupShare(context) : 1
  const mlPerDrink = (ofGroup ? budget.brewMlPerDrink : budget.mlPerDrink) * budget.factor
  const perDay = ofGroup ? (meanRate(use.rate) * share * mlPerDrink) / 1000 : litresADay(budget, use)
  return {
    clock: 'litres',
    unit: 'L',
    ...found,
    perDay: perDay * facts.opening.shareOpen,
    usedOn: (day) =>
      Math.max(
        0,
        ofGroup
          ? ((use.totalAt(day) - use.totalAt(start)) * share * mlPerDrink) / 1000
          : litresBetween(budget, use, start, day),
      ),
    after: (limit) =>
      ofGroup ? use.after(start, (limit * 1000) / (share * mlPerDrink)) : litresAfter(budget, use, start, limit),
    lines: (used) => litresLines(context, found.life, { ofGroup, mlPerDrink, used, perDay }),
  }
}

/** What goes along with drinks and open days: so many openings, heat-ups, kilograms. */
function along(context: TaskContext, clock: AlongClock): Reading | null {
  const found = lifeOf(context, clock)
  const { facts, task, since } = context
  const count = alongCount(facts, clock)
  if (!found || !count) return null
  const { use, kind } = facts
  const share = task.each === 'group' ? groupShare(context) : task.each === 'side' ? 1 / kind.sides : 1
  const along: Along = {
    factor: 1,
    thousandthsPerDrink: count.perDrink * share * 1000,
    perOpenDay: count.perOpenDay * share,
  }
  const perDay = alongADay(along, use)
  if (perDay <= 0) return null
  return {
    clock,
    unit: count.unit,
    ...found,
    perDay: perDay * facts.opening.shareOpen,
    usedOn: (day) => Math.max(0, alongBetween(along, use, since.day, day)),
    after: (limit) => alongAfter(along, use, since.day, limit),
    lines: (used) => alongLines(context, found.life, { clock, count, share, used, perDay }),
  }
}

function detergent(context: TaskContext): Reading | null {
  const found = lifeOf(context, 'detergentCycles')
  const { facts, since } = context
  const rate = detergentRate(facts)
  if (!found || !rate) return null
  const { use } = facts
  const start = since.day
  const { daily, every } = rate
  return {
    clock: 'detergentCycles',
    unit: 'cycles',
    ...found,
    perDay: (daily ?? meanRate(use.rate) / every!) * facts.opening.shareOpen,
    usedOn: (day) =>
      daily !== null
        ? daily * use.open.plain.count(start, day)
        : Math.max(0, use.totalAt(day) - use.totalAt(start)) / every!,
    after: (limit) =>
      daily !== null ? certainDay(nthOpenDay(use.open.plain, start, limit / daily)) : use.after(start, limit * every!),
    lines: (used) => detergentLines(context, found.life, { ...rate, used }),
  }
}

function months(context: TaskContext): Reading | null {
  const found = lifeOf(context, 'months')
  if (!found) return null
  const { facts, task, since } = context
  const start = since.day
  const hot = task.rubber ? hotHours(facts) : null
  if (hot) {
    return {
      clock: 'months',
      unit: 'months hot',
      ...found,
      perDay: hot.perDay / hotHoursAMonth,
      fixed: true,
      usedOn: (day) => hot.between(start, day) / hotHoursAMonth,
      after: (limit) => certainDay(hot.dayAfter(start, limit * hotHoursAMonth)),
      lines: (used) => hotLines(context, found.life, hot, used),
    }
  }
  return {
    clock: 'months',
    unit: 'months',
    ...found,
    perDay: 1 / 30.4375,
    fixed: true,
    usedOn: (day) => monthsBetween(start, day),
    after: (limit) => certainDay(addMonths(start, limit)),
    lines: () => monthsLines(context, found.life, addMonths(start, found.life.value)),
  }
}
