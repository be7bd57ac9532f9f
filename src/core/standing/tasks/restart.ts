import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { ofKind, touching } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import { restartTask } from '../raised-tasks.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import type { MachineTask } from './raised-task.ts'

/** Water that stood longer is flushed out; longer still, the vessels are emptied and sanitised. Common practice. */
const flushAfterDays = 3
const sanitiseAfterDays = 28

/**
 * What is due before the first drink after a standstill: a flush, or emptying and sanitising.
 * @returns null where it did not stand long enough, or it was done since
 */
function restartStanding(facts: MachineFacts): Standing | null {
  const { stage, since, stoodDays } = facts.stage
  if (stage !== 'working' || since === null || stoodDays === undefined || stoodDays <= flushAfterDays) return null
  const done = [...touching(facts.histories, 'machine', restartTask), ...ofKind(facts.histories, 'machine', 'serviced')]
  if (done.some((entry) => entry.happenedOn >= since)) return null
  const long = stoodDays > sanitiseAfterDays
  const working = startWorking(facts.showWorking)
  const { add } = working
  const stoodLine = add(() => ({
    what: 'Stood',
    value: stoodDays,
    unit: 'days',
    origin: 'measured',
    source: `set going ${since}`,
  }))
  const limit = long ? sanitiseAfterDays : flushAfterDays
  add(() => ({
    what: long ? 'Empty, sanitise, two fillings after' : 'Flush half a litre after',
    value: limit,
    unit: 'days',
    origin: 'default',
    source: 'common practice',
    mark: 'T',
  }))
  const start = toDay(since)
  return finish(
    {
      key: restartTask,
      task: restartTask,
      name: long ? 'Empty, sanitise and refill after standing' : 'Flush after standing',
      action: 'clean',
      station: facts.kind.lines[0]!.stations[0]!,
      since,
      sinceKnown: true,
      minutes: long ? 30 : 5,
      caution: 'scald',
    },
    [
      {
        use: { clock: 'hygiene', used: stoodDays, limit, unit: 'days', perDay: 0 },
        passage: { name: 'hygiene', fixed: true, dayAt: () => start },
        leftLine: stoodLine,
      },
    ],
    working,
    facts.asOf,
  )
}

export const restart: MachineTask = {
  id: restartTask,
  searchNames: ['flush empty sanitise refill after standing'],
  about: 'machine',
  written: () => ({ kind: 'cleaned', body: { task: restartTask } }),
  standing: restartStanding,
}
