import type { Kind } from '../kinds/kind.ts'
import { procedures } from '../trade/procedures/index.ts'
import { usualWay } from './offered.ts'
import type { Procedure, Way } from './procedure.ts'

/**
 * The procedure that leads through a task, with the way it is usually done on a kind.
 *
 * @param kind - null for what stands ahead of a machine, such as a softener
 * @returns null where none is written for it
 * @example procedureForTask('detergent-backflush', c2)?.procedure.id // 'detergent-backflush'
 */
export function procedureForTask(
  task: string,
  kind: Kind | null,
  library: readonly Procedure[] = procedures,
): { procedure: Procedure; way: Way } | null {
  const base = kind && (kind.basedOn ?? kind.id)
  // A whole service writes the task too: what does nothing else leads through it.
  const [procedure] = library
    .filter(
      ({ kinds, writes, behind }) =>
        (base ? kinds.includes(base) : behind !== undefined) &&
        writes?.some((written) => {
          const of = base ? (written.taskOf?.[base] ?? written.task) : written.task
          return of === task && (base !== null || written.of === 'softener')
        }),
    )
    .sort((a, b) => a.writes!.length - b.writes!.length)
  if (!procedure) return null
  const ways = base ? procedure.ways.filter(({ kinds }) => !kinds || kinds.includes(base)) : procedure.ways
  const [first] = ways
  if (!first) return null
  return { procedure, way: kind ? usualWay({ ...procedure, ways }, kind, null) : first }
}
