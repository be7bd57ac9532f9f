import type { Duty } from '../kinds/kind.ts'
import { addMonths, fromDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import type { Add, Line } from '../quantity/working.ts'
import { nthOpenDay } from '../usage/first-passage.ts'
import { meanRate, sdRate } from '../usage/rate.ts'
import type { Passage } from '../wear/due-window.ts'
import { type Clock, schoolName } from '../wear/limits.ts'
import { ownLife } from './histories.ts'
import type { LastDone } from './last-done.ts'
import type { MachineFacts } from './machine-facts.ts'
import type { ClockUse, Governing } from './standing.ts'
import { dayOfLitres, litresADay, litresBetween } from './water-budget.ts'

/** One clock of one duty: what is used, when it runs out, and the lines that say so. */
export interface RunningClock {
  use: ClockUse
  passage: Passage<Governing>
  /** Number of the line with what is left, for the closing sentence. */
  leftLine: number
}

export interface DutyContext {
  facts: MachineFacts
  duty: Duty
  key: string
  index: number | undefined
  since: LastDone
  add: Add
}

/** The life on a clock: somebody's own figure, nearest first, else the catalogue's by school. */
function lifeOf(context: DutyContext, clock: Clock): { value: number; line: () => Line } | null {
  const { facts, duty } = context
  const catalogue = duty.limits[clock]
  const own = ownLife(facts.histories, duty.id, clock)
  if (!own && !catalogue) return null
  const value = own?.body.value ?? catalogue![facts.school.value]
  const name =
    clock === 'months'
      ? 'Life by age'
      : clock === 'detergentCycles'
        ? 'Life in detergent cycles'
        : clock === 'litres'
          ? 'Life in litres'
          : 'Life'
  const line = (): Line => ({
    what: duty.action === 'replace' ? name : name.replace('Life', 'Interval'),
    value,
    unit: unitOf(clock, facts.kind.counter.unit),
    origin: own ? 'setting' : 'default',
    source: own
      ? `set for this ${own.level}, ${own.on}`
      : `${schoolName[facts.school.value]} school${duty.mark === 'M' ? ', from memory' : ', common practice'}`,
    mark: own ? undefined : duty.mark,
    adjust: { setting: 'life', position: duty.id, clock, value },
  })
  return { value, line }
}

const unitOf = (clock: Clock, drinks: string): string =>
  ({ shots: drinks, litres: 'L', months: 'months', detergentCycles: 'cycles' })[clock]

/** Every clock that governs this duty. */
export function runningClocks(context: DutyContext): RunningClock[] {
  const clocks = [shots(context), litres(context), detergent(context), months(context)]
  return clocks.filter((clock) => clock !== null)
}

/** The lines all counting clocks share: where the counter stood, and how fast it runs. */
function counterLines({ facts, since, index, duty, add }: DutyContext) {
  const { use, kind, shares } = facts
  const unit = kind.counter.unit
  const start = toDay(since.on)
  const share = duty.each === 'group' ? (shares.value[(index ?? 1) - 1] ?? 1) : 1
  const now = add(() =>
    use.last
      ? {
          what: 'Counter',
          value: Math.round(use.last.count),
          unit,
          origin: 'measured',
          source: `read ${fromDay(use.last.day)}`,
        }
      : { what: 'Counter', value: 'not read yet', origin: 'measured' },
  )
  const gone = (use.last?.total ?? 0) - use.totalAt(start)
  const movedSince = add(() => ({
    what: 'Moved since',
    value: Math.max(0, Math.round(gone)),
    unit,
    formula: use.flags.some((flag) => flag.kind === 'reset' || flag.kind === 'rollover')
      ? '{1} − then, swaps bridged'
      : '{1} − then',
    origin: 'reckoned',
    source: `${since.how} ${since.on}`,
  }))
  const rate = add(() => ({
    what: 'Use',
    value: meanRate(use.rate),
    spread: sdRate(use.rate),
    unit: '/open day',
    origin: use.readings > 1 ? 'measured' : 'default',
    source: use.readings > 1 ? `${use.readings} readings` : 'what such machines make, from memory',
    mark: use.readings > 1 ? undefined : 'M',
  }))
  const shareLine =
    duty.each === 'group' && kind.groups > 1
      ? add(() => ({
          what: `Group ${index} takes`,
          value: share,
          origin: shares.level === 'catalogue' ? 'default' : 'setting',
          source: shares.level === 'catalogue' ? 'default, from memory' : `set for this ${shares.level}`,
          mark: shares.level === 'catalogue' ? 'M' : undefined,
        }))
      : null
  return { start, share, now, movedSince, rate, shareLine }
}

function shots(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'shots')
  if (!life) return null
  const { facts, add } = context
  const { use, asOfDay, kind } = facts
  const { start, share, movedSince, rate, shareLine } = counterLines(context)
  const from = use.totalAt(start)
  const used = Math.max(0, share * (use.totalAt(asOfDay) - from))
  const idle = use.last ? use.open.count(use.last.day, asOfDay) : 0
  const times = shareLine ? ` × {${shareLine}}` : ''
  const usedLine = add(() => ({
    what: `Used to ${facts.asOf}`,
    value: Math.round(used),
    unit: kind.counter.unit,
    formula: idle > 0 ? `({${movedSince}} + ${idle} open days × {${rate}})${times}` : `{${movedSince}}${times}`,
    origin: 'reckoned',
  }))
  const lifeLine = add(life.line)
  const perDay = meanRate(use.rate) * share
  const leftLine = add(() => ({
    what: 'Left by count',
    value: Math.round((life.value - used) / perDay),
    unit: 'open days',
    formula: `({${lifeLine}} − {${usedLine}}) ÷ {${rate}}${shareLine ? ` ÷ {${shareLine}}` : ''}`,
    origin: 'reckoned',
  }))
  return {
    use: {
      clock: 'shots',
      used,
      limit: life.value,
      unit: kind.counter.unit,
      perDay: perDay * facts.opening.shareOpen,
    },
    passage: { name: 'shots', dayAt: (chance) => use.dayAfter(start, life.value / share, chance) },
    leftLine,
  }
}

function litres(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'litres')
  if (!life) return null
  const { facts, duty, since, index, add } = context
  const { use, budget, asOfDay } = facts
  const start = toDay(since.on)
  const ofGroup = duty.litresOf === 'group'
  const share = ofGroup ? (facts.shares.value[(index ?? 1) - 1] ?? 1) : 1
  const mlPerDrink = ofGroup ? budget.brewMlPerDrink : budget.mlPerDrink
  const source = {
    catalogue: 'water budget, from memory',
    set: 'set for this machine',
    metered: `meter, ${budget.intervals} intervals`,
  }[budget.from]
  const perDrink = add(() => ({
    what: ofGroup ? 'Brew water a drink' : 'Water a drink',
    value: mlPerDrink * budget.factor,
    unit: 'ml',
    origin: budget.from === 'catalogue' ? 'default' : budget.from === 'set' ? 'setting' : 'measured',
    source,
    mark: budget.from === 'catalogue' ? 'M' : undefined,
  }))
  const used = ofGroup
    ? Math.max(0, ((use.totalAt(asOfDay) - use.totalAt(start)) * share * mlPerDrink * budget.factor) / 1000)
    : Math.max(0, litresBetween(budget, use, start, asOfDay))
  const perDay = ofGroup ? (meanRate(use.rate) * share * mlPerDrink * budget.factor) / 1000 : litresADay(budget, use)
  const draw = add(() => ({
    what: 'Draw',
    value: perDay,
    unit: 'L/open day',
    formula: ofGroup
      ? `use × share × {${perDrink}}`
      : `use × {${perDrink}} + ${round(budget.litresPerOpenDay * budget.factor)} L rinses`,
    origin: 'reckoned',
  }))
  const usedLine = add(() => ({
    what: `Drawn to ${facts.asOf}`,
    value: used,
    unit: 'L',
    formula: `since ${since.on}`,
    origin: 'reckoned',
  }))
  const lifeLine = add(life.line)
  const leftLine = add(() => ({
    what: 'Left by litres',
    value: Math.round((life.value - used) / perDay),
    unit: 'open days',
    formula: `({${lifeLine}} − {${usedLine}}) ÷ {${draw}}`,
    origin: 'reckoned',
  }))
  const dayAt = (chance: number) =>
    ofGroup
      ? use.dayAfter(start, (life.value * 1000) / (share * mlPerDrink * budget.factor), chance)
      : dayOfLitres(budget, use, start, life.value, chance)
  return {
    use: { clock: 'litres', used, limit: life.value, unit: 'L', perDay: perDay * facts.opening.shareOpen },
    passage: { name: 'litres', dayAt },
    leftLine,
  }
}

function detergent(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'detergentCycles')
  const { facts, since, add } = context
  const { kind, use, asOfDay } = facts
  if (!life || !kind.detergent) return null
  const start = toDay(since.on)
  const daily = 'perOpenDay' in kind.detergent ? kind.detergent.perOpenDay : null
  const every = 'everyDrinks' in kind.detergent ? kind.detergent.everyDrinks[facts.school.value] : null
  const used =
    daily !== null
      ? daily * use.open.count(start, asOfDay)
      : Math.max(0, use.totalAt(asOfDay) - use.totalAt(start)) / every!
  const cycle = add(() => ({
    what: 'Detergent',
    value: daily ?? every!,
    unit: daily !== null ? 'cycles an open day' : `${kind.counter.unit} a cycle`,
    origin: 'default',
    source: 'the routine, as agreed',
    mark: 'M',
  }))
  const usedLine = add(() => ({
    what: 'Cycles so far',
    value: Math.round(used),
    unit: 'cycles',
    formula: `since ${since.on}, by {${cycle}}`,
    origin: 'reckoned',
  }))
  const lifeLine = add(life.line)
  const leftLine = add(() => ({
    what: 'Left by detergent',
    value: Math.round(life.value - used),
    unit: 'cycles',
    formula: `{${lifeLine}} − {${usedLine}}`,
    origin: 'reckoned',
  }))
  const dayAt = (chance: number) =>
    daily !== null ? nthOpenDay(use.open, start, life.value / daily) : use.dayAfter(start, life.value * every!, chance)
  return {
    use: {
      clock: 'detergentCycles',
      used,
      limit: life.value,
      unit: 'cycles',
      perDay: (daily ?? meanRate(use.rate) / every!) * facts.opening.shareOpen,
    },
    passage: { name: 'detergentCycles', dayAt },
    leftLine,
  }
}

function months(context: DutyContext): RunningClock | null {
  const life = lifeOf(context, 'months')
  if (!life) return null
  const { facts, since, add } = context
  const start = toDay(since.on)
  const end = addMonths(start, life.value)
  const used = monthsBetween(start, facts.asOfDay)
  const lifeLine = add(life.line)
  const leftLine = add(() => ({
    what: 'Over by age',
    value: fromDay(end),
    formula: `${since.on} + {${lifeLine}}`,
    origin: 'reckoned',
    source: since.known ? since.how : 'age unknown: counted from the day it was taken on',
  }))
  return {
    use: { clock: 'months', used, limit: life.value, unit: 'months', perDay: 1 / 30.4375 },
    passage: { name: 'months', fixed: true, dayAt: () => end },
    leftLine,
  }
}

const round = (value: number) => Math.round(value * 10) / 10
