import { doneTask } from '../../core/kinds/done-task.ts'
import { kinds } from '../../core/kinds/index.ts'
import type { Kind } from '../../core/kinds/kind.ts'
import { fromDay } from '../../core/quantity/local-day.ts'
import { type DoneTask, type JobMinutes, learnedMinutes } from '../../core/rounds/job-minutes.ts'
import type { Trx } from '../../records/database.ts'
import type { DueHere } from '../../records/plan.ts'
import { type WorkOnVisit, workOnVisits } from '../../records/visit-work.ts'

/** Work longer ago was done by other hands, or learned since. */
const learnedDays = 400

/**
 * How long work takes this firm, as its timed visits tell.
 *
 * @param today - a day number
 * @param own - kinds the firm made
 */
export async function ownMinutes(trx: Trx, today: number, own: Kind[], stopMin: number): Promise<JobMinutes> {
  const known = new Map([...kinds, ...own].map((kind) => [kind.id, kind]))
  const visits = await workOnVisits(trx, fromDay(today - learnedDays))
  return learnedMinutes(
    visits.map(({ minutes, done }) => ({ minutes, tasks: doneTasks(done, known) })),
    stopMin,
  )
}

/** A task with the minutes this firm takes for it. */
export function asTaken(due: DueHere, jobMinutes: JobMinutes): DueHere {
  const { machineKind, standing } = due
  if (!machineKind) return due
  const minutes = Math.max(1, Math.round(jobMinutes.of(machineKind, standing.task, standing.minutes)))
  return { ...due, standing: { ...standing, minutes } }
}

/** What the catalogue calls it, with the minutes it gives it; what it does not know is left out. */
const doneTasks = (done: WorkOnVisit['done'], known: Map<string, Kind>): DoneTask[] =>
  done.flatMap(([kindId, entry, named]): DoneTask[] => {
    const kind = known.get(kindId)
    const task = kind && doneTask(kind, entry, named)
    return task ? [{ kind: kindId, ...task }] : []
  })
