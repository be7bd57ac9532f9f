import type { Handwork } from '../../core/visits/minutes-there.ts'
import type { DueTask, TaskCosts } from '../../core/visits/task-costs.ts'
import type { Waiting } from '../../core/visits/waiting.ts'
import type { TakenTask } from './own-minutes.ts'

/** A task of a site with what it costs when. */
export interface PlannedTask extends TakenTask {
  costs: TaskCosts
  late: DueTask['late']
  /** What it waits for, where somebody said so and it was not done since. */
  waits?: Waiting
}

/** What a task is at a visit: its minutes, its soak, and the machine that soak may hold. */
export const workOf = ({ subjectId, standing, idleMin, holds }: TakenTask): Handwork & { subjectId: string } => ({
  minutes: standing.minutes,
  idleMin,
  holds,
  subjectId,
})
