import type { Task } from '../kinds/kind.ts'
import type { AgesKnown } from '../ledger/kinds/taken-over.ts'
import { type LocalDay, toDay } from '../quantity/local-day.ts'
import { type Histories, ofKind } from './histories.ts'

/** What is known of the age of one task's part since the machine was taken over, and since when. */
export interface AgeTold {
  as: AgesKnown
  on: LocalDay
  day: number
}

/**
 * Whether a task guards: no full service and no look stands for it. Safety valves and what else is marked so, tests
 * that the law asks for, and what keeps the machine's water out of the main.
 */
export const guards = (task: Pick<Task, 'id' | 'safety' | 'part'>): boolean =>
  task.safety === true ||
  ['electrical-test', 'safety-look', 'backflow-preventer'].some((id) => task.id.startsWith(id) || task.part === id)

/** What milk has passed: hygiene comes with the first look as what guards does. */
export const isHygiene = (task: Pick<Task, 'caution'>): boolean => task.caution === 'milk'

/**
 * What was last said of a task's age; null for a machine that nobody said was taken over in the middle of its life.
 *
 * @example ageTold(histories, gasket) // { as: 'unknown', on: '2026-11-28', day: … }
 */
export function ageTold(histories: Histories, task: Task): AgeTold | null {
  let told: AgeTold | null = null
  for (const { happenedOn: on, body } of ofKind(histories, 'machine', 'taken-over')) {
    const excepted = (body.except ?? []).some((id) => id === task.id || id === task.part)
    const isSilent = body.parts === 'unknown' && !excepted
    // That nobody knows takes nothing from what was said before; what guards waits since it was said last.
    if (guards(task) ? told && body.parts !== 'unknown' : told && isSilent) continue
    told = { as: guards(task) || excepted ? 'unknown' : body.parts, on, day: toDay(on) }
  }
  return told
}

/** The day from which what the machine does is known: it was taken on, or taken over later than that. */
export function knownSince(histories: Histories): LocalDay {
  const taken = ofKind(histories, 'machine', 'commissioned')[0]!.happenedOn
  const over = ofKind(histories, 'machine', 'taken-over')[0]?.happenedOn
  return over !== undefined && over > taken ? over : taken
}
