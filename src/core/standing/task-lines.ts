import { shownUnit } from '../kinds/kind.ts'
import { fromDay } from '../quantity/local-day.ts'
import type { Line } from '../quantity/working.ts'
import { meanRate, sdRate } from '../usage/rate.ts'
import { type AlongClock, alongWords, type Clock, policyName } from '../wear/limits.ts'
import type { AlongCount } from './along-count.ts'
import type { DetergentRate } from './detergent-rate.ts'
import { type HotHours, hotHoursAMonth } from './hot-hours.ts'
import { openDaysLeft } from './open-days-left.ts'
import type { Life, OwnLife, TaskContext } from './task-context.ts'

/*
 * The lines that say how a clock was read. Each function adds its own and returns the number of the one
 * that says what is left; none is called where nobody will read them.
 */

function lifeLine({ facts, task, policy }: TaskContext, clock: Clock, { value, own }: Life): Line {
  const name = lifeNames[clock] ?? `Life in ${alongWords[clock as AlongClock].name}`
  return {
    what: task.action === 'replace' ? name : name.replace('Life', 'Interval'),
    value,
    unit: unitOf(clock, facts.kind.counter.unit),
    origin: own ? 'setting' : 'default',
    source: own
      ? ownSource(own)
      : `how early: ${policyName[policy.value]}${task.mark === 'M' ? ', from memory' : ', common practice'}`,
    mark: own ? undefined : task.mark,
    adjust: { setting: 'life', position: task.id, clock, value },
  }
}

/** Who said it, of a life that is not the catalogue's. */
export const ownSource = ({ level, on, way }: OwnLife): string =>
  way ? `its way here: ${way}, chosen for this ${level}` : `set for this ${level}, ${on}`

const lifeNames: Partial<Record<Clock, string>> = {
  shots: 'Life',
  litres: 'Life in litres',
  months: 'Life by age',
  detergentCycles: 'Life in detergent cycles',
}

const unitOf = (clock: Clock, drinks: string): string =>
  ({ shots: drinks, litres: 'L', months: 'months', detergentCycles: 'cycles' })[clock as 'shots'] ??
  alongWords[clock as AlongClock].unit

interface ShotsFigures {
  /** Share of the machine's drinks this group makes; 1 for what is not a group's. */
  share: number
  used: number
  perDay: number
  /** Open days since the last reading. */
  idle: number
  /** Counted since the task was done, up to the last reading. */
  moved: number
}

export function shotsLines(context: TaskContext, life: Life, figures: ShotsFigures): number {
  const { facts, task, index, since, add } = context
  const { use, kind, shares } = facts
  const { share, used, perDay, idle, moved } = figures
  const unit = kind.counter.unit
  add(
    use.last
      ? {
          what: 'Counter',
          value: Math.round(use.last.count),
          unit: shownUnit(kind),
          origin: 'measured',
          source: `read ${fromDay(use.last.day)}`,
        }
      : { what: 'Counter', value: 'not read yet', origin: 'measured' },
  )
  const { shows } = kind.counter
  const eachLine =
    shows &&
    add({ what: `One of ${shows.unit}`, value: shows.each, unit, origin: 'setting', source: 'said of its counter' })
  const movedLine = add({
    what: 'Moved since',
    value: Math.max(0, Math.round(moved)),
    unit,
    formula: `${eachLine ? `({1} − then) × {${eachLine}}` : '{1} − then'}${use.flags.some(({ kind: odd }) => odd === 'reset' || odd === 'rollover') ? ', swaps bridged' : ''}${
      use.rinseShare > 0 ? `, less ${Math.round(use.rinseShare * 100)} % rinses` : ''
    }`,
    origin: 'reckoned',
    source: `${since.how} ${since.on}`,
  })
  const rate = add({
    what: 'Use',
    value: meanRate(use.rate),
    spread: sdRate(use.rate),
    unit: '/open day',
    origin: use.readings > 1 ? 'measured' : 'default',
    source: use.readings > 1 ? `${use.readings} readings` : 'what such machines make, from memory',
    mark: use.readings > 1 ? undefined : 'M',
  })
  const shareLine =
    task.each === 'group' && kind.groups > 1
      ? add({
          what: `Group ${index} takes`,
          value: share,
          origin: { catalogue: 'default' as const, counted: 'measured' as const }[shares.level as string] ?? 'setting',
          source: shareSource(shares),
          mark: shares.level === 'catalogue' ? 'M' : undefined,
        })
      : null
  const times = shareLine ? ` × {${shareLine}}` : ''
  const usedLine = add({
    what: `Used to ${facts.asOf}`,
    value: Math.round(used),
    unit,
    formula: idle > 0 ? `({${movedLine}} + ${idleWords(idle)} × {${rate}})${times}` : `{${movedLine}}${times}`,
    origin: 'reckoned',
  })
  const lives = add(lifeLine(context, 'shots', life))
  return add({
    what: 'Left by count',
    ...openDaysLeft(life.value - used, perDay),
    formula: `({${lives}} − {${usedLine}}) ÷ {${rate}}${shareLine ? ` ÷ {${shareLine}}` : ''}`,
    origin: 'reckoned',
  })
}

const idleWords = (idle: number) =>
  Number.isInteger(idle) ? `${idle} open days` : `${idle.toFixed(1)} open days, each as busy as its month`

function shareSource({ level, counted }: TaskContext['facts']['shares']): string {
  if (level === 'catalogue') return 'default, from memory'
  if (level === 'counted') return `its groups’ own counters, ${Math.round(counted!)} in all`
  return `set for this ${level}`
}

interface LitresFigures {
  ofGroup: boolean
  mlPerDrink: number
  used: number
  perDay: number
}

export function litresLines(context: TaskContext, life: Life, figures: LitresFigures): number {
  const { facts, since, add } = context
  const { budget } = facts
  const { ofGroup, mlPerDrink, used, perDay } = figures
  const perDrink = add({
    what: ofGroup ? 'Brew water a drink' : 'Water a drink',
    value: mlPerDrink,
    unit: 'ml',
    origin: budget.from === 'catalogue' ? 'default' : budget.from === 'set' ? 'setting' : 'measured',
    source: {
      catalogue: 'water budget, from memory',
      counted: 'its own drink counters; a drink’s water from memory',
      set: budget.setSaid,
      factor: 'from its softener’s meter',
      metered: `meter, ${budget.intervals} intervals`,
    }[budget.from],
    mark: budget.from === 'catalogue' ? 'M' : undefined,
  })
  const draw = add({
    what: 'Draw',
    value: perDay,
    unit: 'L/open day',
    formula: ofGroup
      ? `use × share × {${perDrink}}`
      : `use × {${perDrink}} + ${Math.round(budget.litresPerOpenDay * budget.factor * 10) / 10} L rinses`,
    origin: 'reckoned',
  })
  const usedLine = add({
    what: `Drawn to ${facts.asOf}`,
    value: used,
    unit: 'L',
    formula: `since ${since.on}`,
    origin: 'reckoned',
  })
  const lives = add(lifeLine(context, 'litres', life))
  return add({
    what: 'Left by litres',
    ...openDaysLeft(life.value - used, perDay),
    formula: `({${lives}} − {${usedLine}}) ÷ {${draw}}`,
    origin: 'reckoned',
  })
}

interface DetergentFigures extends DetergentRate {
  used: number
}

export function detergentLines(context: TaskContext, life: Life, figures: DetergentFigures): number {
  const { daily, every, used, level } = figures
  const { facts, since, add } = context
  const cycle = add({
    what: 'Detergent',
    value: daily ?? every!,
    unit: daily !== null ? 'cycles an open day' : `${facts.kind.counter.unit} a cycle`,
    origin: level === 'catalogue' ? 'default' : 'setting',
    source: level === 'catalogue' ? 'the routine, as agreed' : `set for this ${level}`,
    mark: level === 'catalogue' ? 'M' : undefined,
    adjust: { setting: 'detergent', clock: daily === null ? 'every' : 'daily', value: daily ?? every! },
  })
  const usedLine = add({
    what: 'Cycles so far',
    value: Math.round(used),
    unit: 'cycles',
    formula: `since ${since.on}, by {${cycle}}`,
    origin: 'reckoned',
  })
  const lives = add(lifeLine(context, 'detergentCycles', life))
  return add({
    what: 'Left by detergent',
    value: Math.round(life.value - used),
    unit: 'cycles',
    formula: `{${lives}} − {${usedLine}}`,
    origin: 'reckoned',
  })
}

export function monthsLines(context: TaskContext, life: Life, end: number): number {
  const { since, add } = context
  const lives = add(lifeLine(context, 'months', life))
  return add({
    what: 'Over by age',
    value: fromDay(end),
    formula: `${since.on} + {${lives}}`,
    origin: 'reckoned',
    source: since.known ? since.how : 'age unknown: counted from the day it was taken on',
  })
}

interface AlongFigures {
  clock: AlongClock
  count: AlongCount
  /** Of the machine's, what this one of several gets. */
  share: number
  used: number
  perDay: number
}

/** Of what goes along with the drinks and is counted by nobody. */
export function alongLines(context: TaskContext, life: Life, figures: AlongFigures): number {
  const { facts, since, add } = context
  const { clock, count, share, used, perDay } = figures
  const { unit, perDrink, perOpenDay, level } = count
  const round = (value: number) => Number(value.toPrecision(3))
  const parts = [
    ...(perDrink > 0 ? [`${round(perDrink)} a drink`] : []),
    ...(perOpenDay > 0 ? [`${round(perOpenDay)} an open day`] : []),
  ]
  const rate = add({
    what: `${alongWords[clock].name[0]!.toUpperCase()}${alongWords[clock].name.slice(1)}`,
    value: perDay,
    unit: `${unit}/open day`,
    formula: `${parts.join(' + ')}${share === 1 ? '' : `, × ${round(share)}`}`,
    origin: level === 'catalogue' ? 'default' : 'setting',
    source: level === 'catalogue' ? 'nobody counts it: from memory' : `set for this ${level}`,
    mark: level === 'catalogue' ? 'M' : undefined,
  })
  const usedLine = add({
    what: `So far, to ${facts.asOf}`,
    value: used,
    unit,
    formula: `since ${since.on}, by {${rate}}`,
    origin: 'reckoned',
  })
  const lives = add(lifeLine(context, clock, life))
  return add({
    what: `Left by ${alongWords[clock].name}`,
    ...openDaysLeft(life.value - used, perDay),
    formula: `({${lives}} − {${usedLine}}) ÷ {${rate}}`,
    origin: 'reckoned',
  })
}

/** Of rubber that ages by the hours it is hot. */
export function hotLines(context: TaskContext, life: Life, hot: HotHours, used: number): number {
  const { since, add } = context
  const rate = add({
    what: 'Hot, an open day',
    value: hot.perOpenDay,
    unit: 'h',
    origin: 'setting',
    source: `${hot.perClosedDay} h on a closed one, set for this ${hot.level}`,
  })
  const usedLine = add({
    what: 'Months of heat so far',
    value: used,
    unit: 'months',
    formula: `since ${since.on}, by {${rate}} ÷ ${hotHoursAMonth}`,
    origin: 'reckoned',
    source: 'a month is twelve hot hours a day, from memory',
  })
  const lives = add(lifeLine(context, 'months', life))
  return add({
    what: 'Left by heat',
    value: life.value - used,
    unit: 'months',
    formula: `{${lives}} − {${usedLine}}`,
    origin: 'reckoned',
  })
}
