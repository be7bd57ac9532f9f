import type { CareHazard, CareTold, Rhythm } from '../kinds/care-words.ts'
import { kindById } from '../kinds/index.ts'
import type { Kind, RoutineTask, Task } from '../kinds/kind.ts'

/** A line nobody has told how to tell: of a kind that was written before lines said so, or by another hand. */
const untold = { drawing: 'water' } as const satisfies CareTold

/** A line of the routine with all that is told of it. */
export type ToldLine = RoutineTask & CareTold & { rhythm: Rhythm }

/** The routine of a machine as it is, told in full: nothing of milk where it has no milk system. */
export function routineThere(kind: Kind): ToldLine[] {
  const milk = kind.stations.some(({ id }) => id === 'milk-hose' || id === 'frother')
  return kind.routine.map((line) => lineTold(kind, line)).filter((line) => milk || !line.milk)
}

/** How a line of the routine is told: as it says itself, else as the kind it was copied from has the same line. */
function lineTold(kind: Kind, line: RoutineTask): ToldLine {
  const { rhythm, drawing } = line
  if (rhythm && drawing) return { ...line, rhythm, drawing }
  const shipped = kindById(kind.basedOn ?? kind.id)?.routine.find(({ what }) => what === line.what)
  if (!shipped?.rhythm || !shipped.drawing) return { ...line, ...untold, hazards: ['unknown'], rhythm: 'said' }
  return { ...shipped, ...line, rhythm: shipped.rhythm, drawing: shipped.drawing }
}

/** A task's own hazard, where nothing more is said of it. */
const byCaution: Partial<Record<NonNullable<Task['caution']>, CareHazard>> = {
  scald: 'scald',
  detergent: 'alkali',
  milk: 'milk',
  mains: 'plug',
}

/** How a task of a kind is told to whoever does it between visits. */
export function taskTold(kind: Kind, task: Task): CareTold {
  const care = task.care ?? kindById(kind.basedOn ?? kind.id)?.tasks.find(({ id }) => id === task.id)?.care
  if (care) return care
  const hazard = task.caution && byCaution[task.caution]
  return { drawing: untold.drawing, hazards: [hazard ?? 'unknown'] }
}
