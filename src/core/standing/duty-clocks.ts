import { addMonths, monthsBetween } from '../quantity/local-day.ts'
import { nthOpenDay } from '../usage/first-passage.ts'
import { meanRate } from '../usage/rate.ts'
import type { Passage } from '../wear/due-window.ts'
import type { Clock } from '../wear/limits.ts'
import type { DutyContext, Life } from './duty-context.ts'
import { detergentLines, litresLines, monthsLines, shotsLines } from './duty-lines.ts'
import { ownLife } from './histories.ts'
import type { ClockUse, Governing } from './standing.ts'
import { dayOfLitres, litresADay, litresBetween } from './water-budget.ts'

/** One clock of one duty: what is used, when it runs out, and the lines that say so. */
export interface RunningClock {
  use: ClockUse
  passage: Passage<Governing>
  /** Number of the line with what is left, for the closing sentence; 0 where no lines are kept. */
  leftLine: number
}

function lifeOf({ facts, duty }: DutyContext, clock: Clock): Life | null {
  const catalogue = duty.limits[clock]
  const own = facts.hasOwnLives ? ownLife(facts.histories, duty.id, clock) : null
  if (own) return { value: own.body.value, own }
  return catalogue ? { value: catalogue[facts.school.value], own } : null
}

/** Every clock that governs this duty. */
export function runningClocks(context: DutyContext): RunningClock[] {
  const running: RunningClock[] = []
  for (const clock of [shots(context), litres(context), detergent(context), months(context)])
    if (clock) running.push(clock)
  return running
}

const shareOf = ({ facts, index }: DutyContext) => facts.shares.value[(index ?? 1) - 1] ?? 1

function shots(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'shots')
  if (!life) return null
  const { facts, duty, since } = context
  const { use, asOfDay, kind } = facts
  const start = since.day
  const share = duty.each === 'group' ? shareOf(context) : 1
  const before = use.totalAt(start)
  const used = Math.max(0, share * (facts.totalNow - before))
  const perDay = meanRate(use.rate) * share
  const idle = use.last ? use.open.count(use.last.day, asOfDay) : 0
  const moved = (use.last?.total ?? 0) - before
  return {
    use: {
      clock: 'shots',
      used,
      limit: life.value,
      unit: kind.counter.unit,
      perDay: perDay * facts.opening.shareOpen,
    },
    passage: { name: 'shots', dayAt: (chance) => use.dayAfter(start, life.value / share, chance) },
    leftLine: facts.showWorking ? shotsLines(context, life, { share, used, perDay, idle, moved }) : 0,
  }
}

function litres(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'litres')
  if (!life) return null
  const { facts, duty, since } = context
  const { use, budget, asOfDay } = facts
  const start = since.day
  const ofGroup = duty.litresOf === 'group'
  const share = ofGroup ? shareOf(context) : 1
  const mlPerDrink = (ofGroup ? budget.brewMlPerDrink : budget.mlPerDrink) * budget.factor
  const used = ofGroup
    ? Math.max(0, ((facts.totalNow - use.totalAt(start)) * share * mlPerDrink) / 1000)
    : Math.max(0, litresBetween(budget, use, start, asOfDay))
  const perDay = ofGroup ? (meanRate(use.rate) * share * mlPerDrink) / 1000 : litresADay(budget, use)
  return {
    use: { clock: 'litres', used, limit: life.value, unit: 'L', perDay: perDay * facts.opening.shareOpen },
    passage: {
      name: 'litres',
      dayAt: (chance) =>
        ofGroup
          ? use.dayAfter(start, (life.value * 1000) / (share * mlPerDrink), chance)
          : dayOfLitres(budget, use, start, life.value, chance),
    },
    leftLine: facts.showWorking ? litresLines(context, life, { ofGroup, mlPerDrink, used, perDay }) : 0,
  }
}

function detergent(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'detergentCycles')
  const { facts, since } = context
  const { kind, use, asOfDay } = facts
  if (!life || !kind.detergent) return null
  const start = since.day
  const daily = 'perOpenDay' in kind.detergent ? kind.detergent.perOpenDay : null
  const every = 'everyDrinks' in kind.detergent ? kind.detergent.everyDrinks[facts.school.value] : null
  const used =
    daily !== null ? daily * use.open.count(start, asOfDay) : Math.max(0, facts.totalNow - use.totalAt(start)) / every!
  return {
    use: {
      clock: 'detergentCycles',
      used,
      limit: life.value,
      unit: 'cycles',
      perDay: (daily ?? meanRate(use.rate) / every!) * facts.opening.shareOpen,
    },
    passage: {
      name: 'detergentCycles',
      dayAt: (chance) =>
        daily !== null
          ? nthOpenDay(use.open, start, life.value / daily)
          : use.dayAfter(start, life.value * every!, chance),
    },
    leftLine: facts.showWorking ? detergentLines(context, life, { daily, every, used }) : 0,
  }
}

function months(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'months')
  if (!life) return null
  const { facts, since } = context
  const start = since.day
  const end = addMonths(start, life.value)
  return {
    use: {
      clock: 'months',
      used: monthsBetween(start, facts.asOfDay),
      limit: life.value,
      unit: 'months',
      perDay: 1 / 30.4375,
    },
    passage: { name: 'months', fixed: true, dayAt: () => end },
    leftLine: facts.showWorking ? monthsLines(context, life, end) : 0,
  }
}
