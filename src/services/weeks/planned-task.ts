import type { DueTask, TaskCosts } from '../../core/visits/task-costs.ts'
import type { Waiting } from '../../core/visits/waiting.ts'
import type { DueHere } from '../../records/plan.ts'

/** A task of a site with what it costs when. */
export interface PlannedTask extends DueHere {
  costs: TaskCosts
  late: DueTask['late']
  /** What it waits for, where somebody said so and it was not done since. */
  waits?: Waiting
}
