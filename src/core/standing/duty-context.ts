import type { Duty } from '../kinds/kind.ts'
import type { Add } from '../quantity/working.ts'
import type { ownLife } from './histories.ts'
import type { LastDone } from './last-done.ts'
import type { MachineFacts } from './machine-facts.ts'

/** One duty of one machine, and where its lines go. */
export interface DutyContext {
  facts: MachineFacts
  duty: Duty
  index: number | undefined
  since: LastDone
  /** Of this duty, where one was chosen for it. */
  school: MachineFacts['school']
  add: Add
}

/** A life on a clock: somebody's own figure, nearest first, else the catalogue's by school. */
export interface Life {
  value: number
  own: ReturnType<typeof ownLife>
}
