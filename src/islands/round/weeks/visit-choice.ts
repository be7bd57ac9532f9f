import { useState } from 'react'
import { minutesThere } from '../../../core/visits/minutes-there.ts'
import type { WeeksTask, WeeksValley } from '../../../views/weeks-ahead.ts'

const keyOf = ({ subjectId, key }: Pick<WeeksTask, 'subjectId' | 'key'>) => `${subjectId} ${key}`

/** What is to be arranged: which tasks, by whom. */
export interface VisitChoice {
  has(task: WeeksTask): boolean
  toggle(task: WeeksTask): void
  /** Those of the visit that stay on it, and those taken with it. */
  tasks: WeeksTask[]
  minutes: number
  /** Somebody else than the plan has; null: as the plan has it. */
  technicianId: string | null
  setTechnician(id: string | null): void
  isChanged: boolean
  effect: ChoiceEffect
}

/** What leaving tasks out and taking others with it changes, beside the visit as it stands. */
export interface ChoiceEffect {
  left: WeeksTask[]
  taken: WeeksTask[]
  /** Minutes of the visit, before and after. */
  fromMin: number
  toMin: number
  /** What it costs over all, where each task that moves has a visit of its own to go to or come from; below 0: saves. */
  costMin: number
  /** Left out, and no other visit has it. */
  nowhere: WeeksTask[]
}

/** As it stands: the tasks that were arranged, or all the plan proposes. */
export const standing = ({ tasks }: Pick<WeeksValley, 'tasks'>): WeeksTask[] => tasks.filter(({ besides }) => !besides)

/** Minutes of a visit that are in no task. */
const besideTasks = ({ stopMin, repair }: Pick<WeeksValley, 'stopMin' | 'repair'>) => stopMin + (repair?.minutes ?? 0)

/** @example effectOf(valley, valley.tasks.slice(1)).left // [valley.tasks[0]] */
export function effectOf(
  valley: Pick<WeeksValley, 'tasks' | 'left' | 'stopMin' | 'repair'>,
  chosen: readonly WeeksTask[],
): ChoiceEffect {
  const before = standing(valley)
  const has = new Set(chosen.map(keyOf))
  const had = new Set(before.map(keyOf))
  const left = before.filter((task) => !has.has(keyOf(task)))
  const taken = chosen.filter((task) => !had.has(keyOf(task)))
  const minutes = (tasks: readonly WeeksTask[]) => besideTasks(valley) + minutesThere(tasks)
  const here = ({ earlyMin, lateMin }: WeeksTask) => earlyMin + lateMin
  // Of one that no visit has nobody knows what else it would cost: it is named instead.
  const moves = (task: WeeksTask) => (task.elsewhere ? task.elsewhere.costMin - here(task) : 0)
  return {
    left,
    taken,
    fromMin: minutes(before),
    toMin: minutes(chosen),
    costMin: left.reduce((sum, task) => sum + moves(task), 0) - taken.reduce((sum, task) => sum + moves(task), 0),
    nowhere: left.filter(({ elsewhere }) => !elsewhere),
  }
}

/** Which tasks are to be on a visit and who goes, from what stands to what somebody wants instead. */
export function useVisitChoice(valley: WeeksValley): VisitChoice {
  const [changed, setChanged] = useState<ReadonlySet<string>>(new Set())
  const [technicianId, setTechnician] = useState<string | null>(null)
  const had = new Set(standing(valley).map(keyOf))
  const has = (task: WeeksTask) => had.has(keyOf(task)) !== changed.has(keyOf(task))
  const tasks = [...valley.tasks, ...valley.left].filter(has)
  return {
    has,
    toggle: (task) => {
      const next = new Set(changed)
      if (!next.delete(keyOf(task))) next.add(keyOf(task))
      setChanged(next)
    },
    tasks,
    minutes: Math.round(besideTasks(valley) + minutesThere(tasks)),
    technicianId,
    setTechnician,
    isChanged: changed.size > 0 || technicianId !== null,
    effect: effectOf(valley, tasks),
  }
}
