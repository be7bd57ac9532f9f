import { cadenceS, phases } from './cadence.ts'
import type { Lane } from './lane.ts'
import { again, handOn, passed, still, withCadence } from './run-moves.ts'
import { handStep, laneNow, type RunState, soakKey, stepNow } from './run-state.ts'
import type { StepOf } from './step.ts'

/** Whatever time alone has done by now: strokes that are over, soaks that are through, windows that have closed. */
export function settle(lanes: Lane[], state: RunState, now: number): RunState {
  let settled = state
  for (;;) {
    const next = settled.ended ? null : nextByItself(lanes, settled)
    if (!next || next.at > now) return settled
    settled = next.apply()
  }
}

/** The soonest of what happens by itself, and when. */
export function nextByItself(lanes: Lane[], state: RunState): { at: number; apply: () => RunState } | null {
  const coming: { at: number; apply: () => RunState }[] = []
  for (const lane of lanes) {
    const step = stepNow(lane, state)
    const soak = step?.act === 'soak' ? state.soaks[soakKey(lane.id, step.id)] : undefined
    if (soak) {
      const { until } = soak
      coming.push({
        at: until,
        apply: () => handOn(lanes, passed(lanes, state, lane, { how: 'done', at: until }), until),
      })
    }
  }
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  if (lane && step?.act === 'cadence') {
    const { positionS, movingSince } = state.cadences[lane.id]!
    const stands = movingSince === null ? null : nextStand(step, positionS)
    if (movingSince !== null && stands !== null) {
      const at = movingSince + (stands - positionS) * 1000
      const stood = withCadence(state, lane.id, { positionS: stands, movingSince: null })
      coming.push({ at, apply: () => ({ ...stood, pausedAt: at }) })
    } else if (movingSince !== null) {
      const at = movingSince + (cadenceS(step) - positionS) * 1000
      coming.push({ at, apply: () => handOn(lanes, passed(lanes, state, lane, { how: 'done', at }), at) })
    }
  }
  if (lane && step?.act === 'window' && state.pausedAt === null) {
    const at = state.since + step.withinS * 1000
    coming.push({ at, apply: () => again(lanes, state, lane, step, step.from, { at, reason: 'too late' }) })
  }
  return coming.sort((a, b) => a.at - b.at)[0] ?? null
}

/** Where strokes stand by themselves next, to be told that all is ready again; null where they run to their end. */
function nextStand(step: StepOf<'cadence'>, positionS: number): number | null {
  if (!step.standsUntil) return null
  const ends = phases(step).flatMap(({ on, toS }) => (on ? [] : [toS]))
  return ends.slice(0, -1).find((end) => end > positionS + 1e-6) ?? null
}

/** A cadence nobody watched stands where it was left; soaks went on. */
export function standStill(lanes: Lane[], state: RunState, from: number, now: number): RunState {
  const then = settle(lanes, state, from)
  const step = handStep(lanes, then)
  if (then.ended || then.pausedAt !== null || (step?.act !== 'cadence' && step?.act !== 'window'))
    return settle(lanes, then, now)
  return { ...still(then, from), pausedAt: from }
}
