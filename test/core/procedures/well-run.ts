import { expect } from 'chai'
import type { Kind } from '../../../src/core/kinds/kind.ts'
import type { Lane } from '../../../src/core/procedures/lane.ts'
import { offeredTo } from '../../../src/core/procedures/offered.ts'
import type { Procedure } from '../../../src/core/procedures/procedure.ts'
import { runStep, startRun } from '../../../src/core/procedures/run.ts'
import { settle } from '../../../src/core/procedures/run-clock.ts'
import { handStep, type RunState } from '../../../src/core/procedures/run-state.ts'
import type { Step } from '../../../src/core/procedures/step.ts'

/** Between two presses, and while all works by itself. */
const betweenMs = 600_000
const byItselfMs = 10_800_000

/** Everything a machine of a kind is offered, behind whatever treats its water. */
export const offers = (kind: Kind): Procedure[] => [
  ...new Map(
    ['none', 'exchanger', 'cartridge', 'membrane']
      .flatMap((behind) => offeredTo(kind, behind))
      .filter(({ refused }) => refused === null)
      .map(({ procedure }) => [procedure.id, procedure]),
  ).values(),
]

/** A run by somebody who waits as long as it takes and whose every look is right. */
export function wellRun(
  lanes: Lane[],
  seen: (state: RunState) => void = () => {},
  /** A step that is left out, with a word for it. */
  leftOut: (step: Step) => boolean = () => false,
): RunState {
  let at = 0
  let state = startRun(lanes, at)
  for (let presses = 0; !state.ended; presses += 1) {
    expect(presses, `stuck at ${handStep(lanes, state)?.id}`).to.be.lessThan(600)
    const shown = handStep(lanes, state)
    // What must be pressed before a window closes is pressed at once.
    at += shown && (shown.act === 'window' || leftOut(shown)) ? 1000 : shown ? betweenMs : byItselfMs
    // What came to its end meanwhile is over: the press is for what stands there then.
    state = settle(lanes, state, at)
    if (state.ended) break
    const step = handStep(lanes, state)
    // Strokes that stand are told that all is ready again.
    if (state.pausedAt !== null && step?.act === 'cadence') {
      state = runStep(lanes, state, { at, type: 'resume' })
      continue
    }
    if (step && leftOut(step)) {
      state = runStep(lanes, state, { at, type: 'skip', reason: 'left out' })
      continue
    }
    const answer = step?.act === 'check' ? step.answers.find(({ leads }) => leads === 'pass')!.id : undefined
    const value = step?.act === 'measure' ? ((step.from as number | undefined) ?? 1) : undefined
    state = runStep(lanes, state, {
      at,
      type: 'done',
      ...(answer && { answer }),
      ...(value !== undefined && { value }),
    })
    seen(state)
  }
  return state
}
