import { startWorking } from '../../quantity/working.ts'
import { calendarClock, drawLines, litresRuleClock, promptClock, thicknessClock } from '../descale-clocks.ts'
import { ofKind } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { putAwayOn } from '../stages.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import type { MachineChalk } from '../water/machine-chalk.ts'
import { daysOf, type MachineTask } from './raised-task.ts'

/** Taking a boiler out, or treating it on the bench: minutes. From memory. */
const benchMinutes = 240

/**
 * Descale when the first of three clocks runs out: chalk in the narrowest channel, the machine's own prompt
 * (or the usual litres at this hardness), the calendar. Large boilers that are not descaled in place have the
 * chalk alone, and are planned for the bench.
 */
function descaleStanding(facts: MachineFacts, chalk: MachineChalk): Standing {
  const { kind } = facts
  const working = startWorking(facts.showWorking)
  const { add } = working
  const inPlace = kind.descale
  const thickness = thicknessClock(facts, chalk, add)
  const drawn = inPlace && drawLines(facts, chalk, add)
  const running = [
    thickness.clock,
    ...(inPlace && drawn
      ? [
          promptClock(facts, chalk, drawn, add) ??
            litresRuleClock(facts, inPlace, chalk, drawn, thickness.carbonate, add),
          calendarClock(facts, inPlace, chalk, add),
        ]
      : []),
  ]
  const head = {
    key: 'descale',
    task: 'descale',
    name: inPlace ? 'Descale' : 'Strip or bench descale',
    action: 'descale' as const,
    station: thickness.first.vessel.station,
    since: chalk.since,
    sinceKnown: chalk.descaled,
    minutes: inPlace?.minutes ?? benchMinutes,
    caution: 'acid' as const,
  }
  return finish(head, running, working, facts.asOf, putAwayOn(facts.stage))
}

export const descale: MachineTask = {
  id: 'descale',
  searchNames: ['descale'],
  about: 'machine',
  written: () => ({ kind: 'descaled', body: { task: 'descale' } }),
  rail: { name: 'Descale', doneOn: (histories) => daysOf(ofKind(histories, 'machine', 'descaled')) },
  standing: (facts, { chalk }) => chalk && descaleStanding(facts, chalk),
}
