import type { Task } from '../kinds/kind.ts'
import type { LocalDay } from '../quantity/local-day.ts'
import type { Add } from '../quantity/working.ts'
import type { Level } from './histories.ts'
import type { LastDone } from './last-done.ts'
import type { MachineFacts } from './machine-facts.ts'

/** One task of one machine, and where its lines go. */
export interface TaskContext {
  facts: MachineFacts
  task: Task
  index: number | undefined
  since: LastDone
  /** Of this task, where one was chosen for it. */
  policy: MachineFacts['policy']
  add: Add
}

/** Who said a life that is not the catalogue's, and when. */
export interface OwnLife {
  level: Level
  on: LocalDay
  /** The way it is done here, where that says so. */
  way?: string
}

/** A life on a clock: somebody's own figure, nearest first, else the chosen way's, else the catalogue's. */
export interface Life {
  value: number
  own: OwnLife | null
}
