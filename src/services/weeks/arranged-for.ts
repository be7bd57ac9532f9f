import { toDay } from '../../core/quantity/local-day.ts'
import type { VisitRepair, VisitState } from '../../views/weeks-ahead.ts'
import type { PlanInput } from './plan-input.ts'

const arranged = ({ appointments, today }: PlanInput, s: number, day: number) =>
  appointments[s]!.find(({ last }) => toDay(last.body.on) - today === day)

/** How far the visit of a day has got. */
export function arrangedFor(
  input: PlanInput,
  s: number,
  day: number,
): { state: VisitState; visitId?: string; from?: string; repair?: VisitRepair } {
  const found = arranged(input, s, day)
  if (!found) return { state: 'proposed' }
  const { step, from, repair } = found.last.body
  return {
    state: step === 'agreed' || step === 'asked' ? step : 'taken',
    visitId: found.visitId,
    ...(from && { from }),
    ...(repair && { repair }),
  }
}

/** Those tasks of a visit that were not in what was arranged: the plan’s own; none where nothing was arranged. */
export function besides(input: PlanInput, s: number, day: number, tasks: number[]): number[] {
  const settled = arranged(input, s, day) && input.problem.sites[s]!.settled.find((visit) => visit.day === day)
  return settled ? tasks.filter((t) => !settled.tasks.includes(t)) : []
}

/** Those tasks of a visit that nobody was promised: they can be left out. */
export function promisedNobody(input: PlanInput, s: number, day: number, tasks: number[]): number[] {
  return arranged(input, s, day) ? besides(input, s, day, tasks) : tasks
}
