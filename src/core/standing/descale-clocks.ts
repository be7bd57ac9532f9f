import type { Descale } from '../kinds/kind.ts'
import { mgLPer } from '../quantity/hardness.ts'
import { addMonths, fromDay, monthsBetween, toDay } from '../quantity/local-day.ts'
import type { Add } from '../quantity/working.ts'
import { policyName } from '../wear/limits.ts'
import { nearestSetting, ofKind, ownLife } from './histories.ts'
import type { MachineFacts } from './machine-facts.ts'
import { openDaysLeft } from './open-days-left.ts'
import type { RunningClock } from './task-clocks.ts'
import { ownSource } from './task-lines.ts'
import { chalkLines } from './water/chalk-lines.ts'
import { waterLines } from './water/feed-water.ts'
import type { MachineChalk } from './water/machine-chalk.ts'
import { dayOfLitres, litresADay, litresBetween } from './water-budget.ts'
import { clocksOf } from './way-lives.ts'

/** Days the forecast is read ahead for what a day adds. */
const year = 365

/** The vessel whose chalk comes first to its limit, and its clock. */
export function thicknessClock(facts: MachineFacts, chalk: MachineChalk, add: Add) {
  const late = Number.POSITIVE_INFINITY
  const first = chalk.vessels.reduce((sooner, vessel) =>
    (vessel.dayAtLimit(0.5) ?? late) < (sooner.dayAtLimit(0.5) ?? late) ? vessel : sooner,
  )
  const known = waterLines(chalk.facts, chalk.water, add)
  const { grams, dayLine } = chalkLines(facts, chalk, first, known, add)
  const used = first.thicknessOf(grams)
  const clock: RunningClock = {
    use: {
      clock: 'thickness',
      used,
      limit: first.figures.limitMm.value,
      unit: 'mm',
      perDay: (first.thicknessOf(first.gramsAt(facts.asOfDay + year)) - used) / year,
    },
    passage: { name: 'thickness', dayAt: first.dayAtLimit },
    leftLine: dayLine,
  }
  return { clock, first, carbonate: known.carbonate }
}

/** Litres drawn since it was clean, for the clocks that count them. */
export interface DrawnLitres {
  perOpenDay: number
  drawn: number
  drawLine: number
  drawnLine: number
}

export function drawLines(facts: MachineFacts, chalk: MachineChalk, add: Add): DrawnLitres {
  const { budget, use, asOfDay } = facts
  const perOpenDay = litresADay(budget, use)
  const drawn = Math.max(0, litresBetween(budget, use, toDay(chalk.since), asOfDay))
  const source = {
    metered: `meter, ${budget.intervals} intervals`,
    factor: `counts × ${budget.factor.toFixed(2)}, from its softener's meter`,
    set: budget.setSaid,
    counted: 'its own drink counters; a drink’s water from memory',
    catalogue: 'water budget, from memory',
  }[budget.from]
  const drawLine = add(() => ({
    what: 'Draw',
    value: perOpenDay,
    unit: 'L/open day',
    formula: `use × ${Math.round(budget.mlPerDrink * budget.factor)} ml + rinses`,
    origin: 'reckoned',
    source,
    mark: budget.from === 'catalogue' ? 'M' : undefined,
  }))
  const drawnLine = add(() => ({
    what: `Drawn to ${facts.asOf}`,
    value: drawn,
    unit: 'L',
    formula: `since ${chalk.since}`,
    origin: 'reckoned',
    source: chalk.descaled ? 'descaled' : 'taken on',
  }))
  return { perOpenDay, drawn, drawLine, drawnLine }
}

/** Litres the machine's own prompt stands at: its chosen hardness setting, or as somebody noted. */
function promptLitres(facts: MachineFacts): { litres: number; said: string } | null {
  const set = nearestSetting(facts.histories, 'hardness-setting')
  if (set) {
    const { classes, chosen } = set.body
    return { litres: classes[chosen - 1]!.litres, said: `at its hardness setting ${chosen} of ${classes.length}` }
  }
  const noted = nearestSetting(facts.histories, 'descale-prompt')
  return noted && { litres: noted.body.litres, said: 'at its hardness setting' }
}

/** A limit of descaling that is not the catalogue's: somebody's own figure, else what the way chosen here says. */
function descaleLife(facts: MachineFacts, clock: 'litres' | 'months'): { value: number; source: string } | null {
  const own = ownLife(facts.histories, facts.kind.id, 'descale', clock)
  if (own) return { value: own.body.value, source: `set for this ${own.level}` }
  const chosen = facts.wayLives.get('descale')
  const value = chosen && clocksOf(chosen.rhythm).get(clock)
  return value === undefined ? null : { value, source: ownSource(chosen!) }
}

/** Usual litres between descales at a carbonate hardness, by the policy. */
const usualLitres = (facts: MachineFacts, descale: Descale, mgL: number): number =>
  descale.litres.find((row) => row.upToDh === null || mgL / mgLPer.dH <= row.upToDh)!.byPolicy[facts.policy.value]

/** Litres after which a machine is descaled, chalk and calendar apart: its own prompt, somebody's figure, or the usual. */
export const litresToDescale = (facts: MachineFacts, descale: Descale, alkalinityMgL: number): number =>
  promptLitres(facts)?.litres ?? descaleLife(facts, 'litres')?.value ?? usualLitres(facts, descale, alkalinityMgL)

/** The machine's own asking: seen already, or when its litres are through; null where nobody knows them. */
export function promptClock(
  facts: MachineFacts,
  chalk: MachineChalk,
  { perOpenDay, drawn, drawLine, drawnLine }: DrawnLitres,
  add: Add,
): RunningClock | null {
  const asked = ofKind(facts.histories, 'machine', 'prompt-seen').find(
    (entry) => entry.body.task === 'descale' && entry.happenedOn > chalk.since,
  )
  if (asked) {
    const day = toDay(asked.happenedOn)
    return {
      use: { clock: 'prompt', used: 1, limit: 1, unit: 'prompts', perDay: 0 },
      passage: { name: 'prompt', fixed: true, dayAt: () => day },
      leftLine: add(() => ({
        what: 'The machine asked',
        value: asked.happenedOn,
        origin: 'measured',
        source: 'prompt seen',
      })),
    }
  }
  const prompt = promptLitres(facts)
  if (!prompt) return null
  const { litres } = prompt
  const promptLine = add(() => ({
    what: 'The machine asks every',
    value: litres,
    unit: 'L',
    origin: 'setting',
    source: prompt.said,
  }))
  const since = toDay(chalk.since)
  return {
    use: { clock: 'prompt', used: drawn, limit: litres, unit: 'L', perDay: perOpenDay * facts.opening.shareOpen },
    passage: { name: 'prompt', dayAt: (chance) => dayOfLitres(facts.budget, facts.use, since, litres, chance) },
    leftLine: add(() => ({
      what: 'Left to its prompt',
      value: Math.round((litres - drawn) / perOpenDay),
      unit: 'open days',
      formula: `({${promptLine}} − {${drawnLine}}) ÷ {${drawLine}}`,
      origin: 'reckoned',
    })),
  }
}

/**
 * The usual litres at this carbonate hardness, where the machine's own prompt is not known; the bounds of the
 * test run through to the day.
 */
export function litresRuleClock(
  facts: MachineFacts,
  descale: Descale,
  chalk: MachineChalk,
  { perOpenDay, drawn, drawLine, drawnLine }: DrawnLitres,
  carbonateLine: number,
  add: Add,
): RunningClock {
  const { budget, use, policy } = facts
  const litresFor = (mgL: number) => usualLitres(facts, descale, mgL)
  const own = descaleLife(facts, 'litres')
  const { soft, likely, hard } = chalk.water.fed
  const limit = own
    ? { soon: own.value, value: own.value, late: own.value }
    : {
        soon: litresFor(hard.alkalinityMgL),
        value: litresFor(likely.alkalinityMgL),
        late: litresFor(soft.alkalinityMgL),
      }
  const range = limit.late > limit.soon ? `; ${limit.soon} to ${limit.late} L over what the test leaves open` : ''
  const limitLine = add(() => ({
    what: 'Usual prompt at this hardness',
    value: limit.value,
    unit: 'L',
    source: own ? own.source : `how early: ${policyName[policy.value]}, from memory${range}`,
    ...(!own && { formula: `by {${carbonateLine}}` }),
    origin: own ? 'setting' : 'default',
    mark: own ? undefined : 'M',
    adjust: { setting: 'life', position: 'descale', clock: 'litres', value: limit.value },
  }))
  const since = toDay(chalk.since)
  return {
    use: { clock: 'litres', used: drawn, limit: limit.value, unit: 'L', perDay: perOpenDay * facts.opening.shareOpen },
    passage: {
      name: 'litres',
      // Early chances go with the harder end of the test, late ones with the softer.
      dayAt: (chance) =>
        dayOfLitres(budget, use, since, chance < 0.35 ? limit.soon : chance > 0.65 ? limit.late : limit.value, chance),
    },
    leftLine: add(() => ({
      what: 'Left by litres',
      ...openDaysLeft(limit.value - drawn, perOpenDay),
      formula: `({${limitLine}} − {${drawnLine}}) ÷ {${drawLine}}`,
      origin: 'reckoned',
    })),
  }
}

/** The calendar: somebody's own, the chosen way's, else by how early one acts. */
export function calendarClock(facts: MachineFacts, descale: Descale, chalk: MachineChalk, add: Add): RunningClock {
  const own = descaleLife(facts, 'months')
  const limit = own?.value ?? descale.months[facts.policy.value]
  const start = toDay(chalk.since)
  const end = addMonths(start, limit)
  const monthsLine = add(() => ({
    what: 'At the latest after',
    value: limit,
    unit: 'months',
    origin: own ? 'setting' : 'default',
    source: own ? own.source : `how early: ${policyName[facts.policy.value]}, from memory`,
    mark: own ? undefined : 'M',
    adjust: { setting: 'life', position: 'descale', clock: 'months', value: limit },
  }))
  return {
    use: { clock: 'months', used: monthsBetween(start, facts.asOfDay), limit, unit: 'months', perDay: 1 / 30.4375 },
    passage: { name: 'months', fixed: true, dayAt: () => end },
    leftLine: add(() => ({
      what: 'Over by age',
      value: fromDay(end),
      formula: `${chalk.since} + {${monthsLine}}`,
      origin: 'reckoned',
    })),
  }
}

/** One clock of descaling, as days. */
export interface DescaleClock {
  clock: 'thickness' | 'prompt' | 'litres' | 'months'
  /** Absent beyond ten years. */
  p10?: number
  p50?: number
  p90?: number
  limit: number
  unit: string
}

/** The clocks of descaling side by side: chalk, calendar, the machine's own prompt or the usual litres. */
export function descaleClocks(facts: MachineFacts, chalk: MachineChalk): DescaleClock[] {
  const silent: Add = () => 0
  const inPlace = facts.kind.descale
  const running = [thicknessClock(facts, chalk, silent).clock]
  if (inPlace) {
    const drawn = drawLines(facts, chalk, silent)
    running.push(
      calendarClock(facts, inPlace, chalk, silent),
      promptClock(facts, chalk, drawn, silent) ?? litresRuleClock(facts, inPlace, chalk, drawn, 0, silent),
    )
  }
  return running.map(({ use, passage }) => {
    const [p10, p50, p90] = [0.1, 0.5, 0.9].map((chance) => passage.dayAt(chance) ?? undefined)
    return {
      clock: use.clock as DescaleClock['clock'],
      ...(p10 !== undefined && { p10 }),
      ...(p50 !== undefined && { p50 }),
      ...(p90 !== undefined && { p90 }),
      limit: use.limit,
      unit: use.unit,
    }
  })
}
