import type { Setting } from '../ledger/setting-kinds.ts'
import { type Procedure, rootOf, type Way, writtenBy } from './procedure.ts'

/**
 * What is put on record when a way becomes the usual one somewhere: its name, and how often it has its first task
 * done. The dates go by what was agreed, also when the library says otherwise one day.
 *
 * @example waySetting(detergentBackflush, fullScoop).rhythm?.tasks[0] // 'detergent-backflush'
 */
export function waySetting(procedure: Procedure, way: Way): Setting<'way'> {
  const first = writtenBy(procedure, way)[0]
  const { days, drinks, litres, words } = way.every ?? {}
  const counted = days !== undefined || drinks !== undefined || litres !== undefined
  return {
    v: 1,
    setting: 'way',
    procedure: rootOf(procedure),
    way: way.id,
    name: way.name,
    ...(first &&
      words &&
      counted && {
        rhythm: {
          tasks: [...new Set([first.task, ...Object.values(first.taskOf ?? {})])],
          words,
          ...(days !== undefined && { days }),
          ...(drinks !== undefined && { drinks }),
          ...(litres !== undefined && { litres }),
        },
      }),
  }
}
