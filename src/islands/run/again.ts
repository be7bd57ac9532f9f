import type { Lane } from '../../core/procedures/lane.ts'
import type { RunState } from '../../core/procedures/run-state.ts'

/** How often a step has sent the lane back. */
export const timesAgain = (lane: Lane, state: RunState, step: string | undefined): number =>
  state.records.filter((record) => record.lane === lane.id && record.step === step && record.how === 'again').length

/** Why the stretch a lane is in is done again, and for which time; nothing where it is the first. */
export function againOf(lane: Lane, state: RunState): { because: string; time: number } | undefined {
  const last = state.records.findLast((record) => record.lane === lane.id && record.how !== 'taken back')
  const again = state.records.findLast((record) => record.lane === lane.id && record.how === 'again')
  const from = again && lane.steps.find(({ id }) => id === again.step)
  if (!again || from?.act !== 'check' || last !== again) return undefined
  const answer = from.answers.find(({ id }) => id === again.answer)
  return answer?.because ? { because: answer.because, time: timesAgain(lane, state, again.step) + 1 } : undefined
}
