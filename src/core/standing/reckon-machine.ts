import { instances } from '../kinds/index.ts'
import { shownUnit } from '../kinds/kind.ts'
import { fromDay } from '../quantity/local-day.ts'
import { meanRate, sdRate } from '../usage/rate.ts'
import { effective, type Ledgers } from './histories.ts'
import { type MachineFacts, machineFacts } from './machine-facts.ts'
import { type Reckoning, reckoningVersion, type Standing } from './standing.ts'
import { taskStanding } from './task-standing.ts'
import { machineTasks } from './tasks/index.ts'
import { boilerConcentrate } from './water/boiler-concentrate.ts'
import { machineChalk } from './water/machine-chalk.ts'
import { litresADay } from './water-budget.ts'

export interface ReckonOptions {
  /** False where nobody will read the arithmetic: standings then come without lines. */
  showWorking?: boolean
}

/**
 * Reckons a machine: what is due when, from its whole history and that of its site, supply and firm.
 * A pure function of the entries: their order of arrival, and the clock on the wall, do not matter.
 *
 * @returns null for a machine that was never taken on
 */
export function reckonMachine(ledgers: Ledgers, { showWorking = true }: ReckonOptions = {}): Reckoning | null {
  const histories = effective(ledgers)
  const facts = machineFacts(histories, showWorking)
  if (!facts) return null
  const { kind, use, stage } = facts
  return {
    version: reckoningVersion,
    asOf: facts.asOf,
    standings: stage.stage === 'retired' ? [] : standingsOf(facts),
    stage: stage.stage,
    ...(stage.since && { stageSince: stage.since }),
    ...(kind.uncounted && { uncounted: true as const }),
    ...(use.last && {
      counter: {
        count: use.last.count,
        on: fromDay(use.last.day),
        unit: shownUnit(kind),
        ...(kind.counter.shows && { each: kind.counter.shows.each }),
        ...(use.rinseShare > 0 && { rinseShare: use.rinseShare }),
      },
    }),
    use: {
      mean: meanRate(use.rate),
      sd: sdRate(use.rate),
      readings: use.readings,
      assumed: use.intervals.length === 0,
    },
    litresPerOpenDay: litresADay(facts.budget, use),
    flags: use.flags,
    rivals: [...(histories.machine?.rivals ?? [])].sort(),
    water: facts.water,
  }
}

function standingsOf(facts: MachineFacts): Standing[] {
  const { kind } = facts
  const standings: (Standing | null)[] = []
  for (const task of kind.tasks) {
    if (task.by === 'customer') continue
    const many = task.each ? instances(kind, task.each) : 1
    for (let n = 1; n <= many; n += 1) standings.push(taskStanding(facts, task, task.each && many > 1 ? n : undefined))
  }
  const chalk = machineChalk(facts)
  const water = { chalk, concentrate: chalk && boilerConcentrate(facts, chalk) }
  for (const task of machineTasks) standings.push(task.standing(facts, water))
  return standings.filter((standing) => standing !== null)
}
