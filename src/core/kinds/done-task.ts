import type { Kind } from './kind.ts'

/** A task of the catalogue, with the minutes it gives it. */
export interface CatalogueTask {
  task: string
  minutes: number
}

/**
 * The task that an entry of work did, as the catalogue has it.
 *
 * @param entry - its kind
 * @param named - the task or part it names
 * @returns null where the catalogue has no such task
 * @example doneTask(kind, 'fitted', 'gasket') // { task: 'gasket', minutes: 10 }
 */
export function doneTask(kind: Kind, entry: string, named: string): CatalogueTask | null {
  if (entry === 'descaled') return kind.descale ? { task: 'descale', minutes: kind.descale.minutes } : null
  const task = kind.tasks.find((one) => one.id === named || (entry === 'fitted' && one.part === named && one.doneBy === 'fitted'))
  return task ? { task: task.id, minutes: task.minutes } : null
}
