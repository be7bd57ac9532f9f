import { cadenceS } from './cadence.ts'
import type { Lane } from './lane.ts'
import type { Step } from './step.ts'

/** Seconds a step is thought to take: the hands' where it needs them, its own where it works by itself. */
export function stepSeconds(step: Step): number {
  switch (step.act) {
    case 'cadence':
      return 3 + cadenceS(step)
    case 'soak':
      return step.seconds
    case 'wait':
      return step.aboutS + step.handsS
    case 'hold':
      return step.seconds + step.handsS
    default:
      return step.handsS
  }
}

/** Seconds left in a lane from a step on. */
export const tailS = (lane: Lane, from: number): number =>
  lane.steps.slice(from).reduce((sum, step) => sum + stepSeconds(step), 0)
