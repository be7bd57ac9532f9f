import { toDay } from '../../quantity/local-day.ts'
import { startWorking } from '../../quantity/working.ts'
import { ofKind } from '../histories.ts'
import type { MachineFacts } from '../machine-facts.ts'
import type { Standing } from '../standing.ts'
import { finish } from '../task-standing.ts'
import type { MachineTask } from './raised-task.ts'

const certificateTask = 'certificate'

/**
 * The next test of the pressure vessel, on the day its certificate says: nothing is reckoned, nothing but a new
 * certificate moves it.
 * @returns null where no certificate is on record
 */
function certificateStanding(facts: MachineFacts): Standing | null {
  const last = ofKind(facts.histories, 'machine', 'certified').findLast(({ body }) => body.dueOn !== undefined)
  if (!last) return null
  const { dueOn, inspector, number } = last.body
  const [from, due] = [toDay(last.happenedOn), toDay(dueOn!)]
  const working = startWorking(facts.showWorking)
  const line = working.add(() => ({
    what: 'Next test by',
    value: dueOn!,
    origin: 'measured',
    source: `${number ? `certificate ${number}, ` : ''}${inspector}, ${last.happenedOn}`,
  }))
  return finish(
    {
      key: certificateTask,
      task: certificateTask,
      name: 'Pressure vessel: test by an inspector',
      action: 'check',
      station: facts.kind.vessels.at(-1)?.station ?? facts.kind.lines[0]!.stations[0]!,
      since: last.happenedOn,
      sinceKnown: true,
      minutes: 30,
      caution: 'pressure',
    },
    [
      {
        use: {
          clock: 'certificate',
          used: Math.max(0, facts.asOfDay - from),
          limit: Math.max(1, due - from),
          unit: 'days',
          perDay: 1,
        },
        passage: { name: 'certificate', fixed: true, dayAt: () => due },
        leftLine: line,
      },
    ],
    working,
    facts.asOf,
  )
}

export const certificate: MachineTask = {
  id: certificateTask,
  searchNames: ['pressure vessel test inspector certificate'],
  about: 'machine',
  // Done by the certificate itself, which says the next day.
  written: null,
  standing: certificateStanding,
}
