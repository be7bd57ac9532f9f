import { doneTask } from '../../core/kinds/done-task.ts'
import { kinds } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { type IdleTime, idleTime } from '../../core/procedures/idle-time.ts'
import { fromDay } from '../../core/quantity/local-day.ts'
import { type DoneTask, type JobMinutes, learnedMinutes } from '../../core/rounds/job-minutes.ts'
import type { Trx } from '../../records/database.ts'
import type { DueHere } from '../../records/plan.ts'
import { type WorkOnVisit, workOnVisits } from '../../records/visit-work.ts'

/** Work longer ago was done by other hands, or learned since. */
const learnedDays = 400

/** How long work takes a firm, and the kinds it is done on. */
export interface OwnMinutes extends JobMinutes {
  kinds: Map<string, Kind>
}

/**
 * How long work takes this firm, as its timed visits tell.
 *
 * @param today - a day number
 * @param own - kinds the firm made
 */
export async function ownMinutes(trx: Trx, today: number, own: Kind[], stopMin: number): Promise<OwnMinutes> {
  const known = new Map([...kinds, ...own].map((kind) => [kind.id, kind]))
  const visits = await workOnVisits(trx, fromDay(today - learnedDays))
  const learned = learnedMinutes(
    visits.map(({ minutes, done }) => ({ minutes, tasks: doneTasks(done, known) })),
    stopMin,
  )
  return { ...learned, kinds: known }
}

/** A task as this firm does it: its own minutes, and the time that goes by of itself. */
export type TakenTask = DueHere & IdleTime

/** A task with the minutes this firm takes for it. */
export function asTaken(due: DueHere, own: OwnMinutes): TakenTask {
  const { machineKind, standing } = due
  const kind = machineKind ? own.kinds.get(machineKind) : undefined
  if (!kind) return { ...due, idleMin: 0, holds: false, coolMin: 0 }
  const minutes = Math.max(1, Math.round(own.of(kind.id, standing.task, standing.minutes)))
  return {
    ...due,
    standing: { ...standing, minutes },
    ...idleTime(standing.task, kind, standing.minutes),
  }
}

/** What the catalogue calls it, with the minutes it gives it; what it does not know is left out. */
const doneTasks = (done: WorkOnVisit['done'], known: Map<string, Kind>): DoneTask[] =>
  done.flatMap(([subjectId, kindId, entry, named]): DoneTask[] => {
    const kind = known.get(kindId)
    const task = kind && doneTask(kind, entry, named)
    return task ? [{ kind: kindId, subjectId, ...task, ...idleTime(task.task, kind, task.minutes) }] : []
  })
