import { toDay } from '../../core/quantity/local-day.ts'
import type { Appointment } from '../../core/visits/appointments.ts'
import type { DueHere } from '../../records/plan.ts'
import { grouped } from './grouped.ts'

/** Two that were arranged for one day are one visit, as the later one says, with the tasks of both. */
export function oneADay(all: Appointment[]): Appointment[] {
  return [...grouped(all, ({ last }) => last.body.on).values()].map((those) => {
    const [latest, ...others] = those.sort((a, b) => (a.last.id < b.last.id ? 1 : -1))
    const known = new Set(latest!.last.body.tasks.map(({ subjectId, key }) => `${subjectId} ${key}`))
    const more = others
      .flatMap(({ last }) => last.body.tasks)
      .filter(({ subjectId, key }) => !known.has(`${subjectId} ${key}`))
    const { last } = latest!
    return { ...latest!, last: { ...last, body: { ...last.body, tasks: [...last.body.tasks, ...more] } } }
  })
}

/** An appointment as the planner knows it: what has been done since, or is no longer due, is not in it. */
export function settledBy(
  { on, technicianId, tasks: those, repair }: Appointment['last']['body'],
  start: number,
  tasks: DueHere[],
  technicians: { id: string }[],
) {
  return {
    day: toDay(on) - start,
    technician: technicians.findIndex(({ id }) => id === technicianId),
    tasks: indicesOf(
      tasks,
      those.map(({ subjectId, key }): [string, string] => [subjectId, key]),
    ),
    ...(repair && { repairMin: repair.minutes }),
  }
}

/** Which of a site’s tasks are meant. */
export const indicesOf = (tasks: DueHere[], those: readonly [subjectId: string, key: string][]): number[] =>
  those.flatMap(([subjectId, key]) => {
    const t = tasks.findIndex((task) => task.subjectId === subjectId && task.standing.key === key)
    return t < 0 ? [] : [t]
  })
