import type { Lane } from './lane.ts'
import {
  byItself,
  type CadenceNow,
  laneNow,
  laneWaitsFor,
  leadS,
  overByItself,
  positionAt,
  type RunState,
  readyLanes,
  type StepRecord,
  soakKey,
  standingOf,
  stepNow,
} from './run-state.ts'
import { inTheWay } from './standing.ts'
import type { Step } from './step.ts'
import { tailS } from './step-seconds.ts'

/** A lane one step on, with what is to be kept of it. */
export function passed(
  lanes: Lane[],
  before: RunState,
  lane: Lane,
  record: Omit<StepRecord, 'lane' | 'step'>,
): RunState {
  const state = before.hand === lane.id ? clocked(lanes, before, record.at) : before
  const step = stepNow(lane, state)!
  return {
    ...withoutCadence(state, lane.id),
    at: { ...state.at, [lane.id]: state.at[lane.id]! + 1 },
    records: [...state.records, { lane: lane.id, step: step.id, ...record }],
  }
}

/** A stretch once more: its soaks and cadences begin anew. */
export function again(
  lanes: Lane[],
  state: RunState,
  lane: Lane,
  step: Step,
  from: string,
  said: { at: number; answer?: string; reason?: string },
): RunState {
  const to = lane.steps.findIndex(({ id }) => id === from)
  const records = [...state.records, { lane: lane.id, step: step.id, how: 'again' as const, ...said }]
  const back = {
    ...withoutCadence(withoutSoaks(clocked(lanes, state, said.at), lane, to), lane.id),
    records,
    at: { ...state.at, [lane.id]: to },
  }
  // Another lane may have what this stretch needs by now: then it waits, and the hands go there.
  return inTheWay(lanes, lane, standingOf(back))
    ? handOn(lanes, { ...back, hand: null }, said.at)
    : enter(lanes, back, said.at)
}

/**
 * Where the hands go next: they stay with their lane until it soaks, waits or is through; then to the one with most
 * before it. Nothing that moved on by itself takes the hands off what they hold. A wait that nobody needs to watch
 * is stood beside only where there is nothing else to do.
 */
export function handOn(lanes: Lane[], state: RunState, now: number): RunState {
  if (lanes.every((lane) => stepNow(lane, state) === null))
    return { ...state, hand: null, ended: { at: now, how: 'done' } }
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  const waits = lane && byItself(lane, state)
  if (waits?.step.act === 'wait' && waits.step.watched) return state
  if (lane && step && !waits && laneWaitsFor(lanes, state, lane) === null) {
    const last = state.records.at(-1)
    return last && last.lane !== lane.id ? state : enter(lanes, state, now)
  }
  const busy = readyLanes(lanes, state).filter((one) => byItself(one, state) === null)
  const next = longest(lanes, busy, state)
  if (next) return enter(lanes, { ...state, hand: next.id }, now)
  // Nothing else: beside the wait that is soonest over.
  const beside = readyLanes(lanes, state).sort((a, b) => byItself(a, state)!.until - byItself(b, state)!.until)[0]
  if (beside) return beside.id === state.hand ? state : { ...state, hand: beside.id, since: now, pausedAt: null }
  if (lanes.some((one) => byItself(one, state))) return { ...state, hand: null, since: now }
  // A stretch done again can meet what another lane has changed since: the hands put it right, told which.
  const last = lanes.find(
    (one) => stepNow(one, state) !== null && one.after.every((id) => stepNow(laneNow(lanes, id)!, state) === null),
  )!
  return enter(lanes, { ...state, hand: last.id }, now)
}

const longest = (lanes: Lane[], some: Lane[], state: RunState): Lane | undefined =>
  [...some].sort((a, b) => aheadS(lanes, b, state) - aheadS(lanes, a, state))[0]

/** Seconds before a lane and whatever can only come after it: what holds up most goes first. */
function aheadS(lanes: Lane[], lane: Lane, state: RunState): number {
  const after = lanes.filter((one) => one.after.includes(lane.id)).map((one) => aheadS(lanes, one, state))
  return tailS(lane, state.at[lane.id]!) + Math.max(0, ...after)
}

/** A step comes under the hands; one that works by itself lets them go again. */
export function enter(lanes: Lane[], state: RunState, now: number): RunState {
  const lane = laneNow(lanes, state.hand)!
  const step = stepNow(lane, state)!
  const entered = { ...state, since: now, pausedAt: null }
  if (step.act === 'soak' || step.act === 'wait') {
    const key = soakKey(lane.id, step.id)
    if (entered.soaks[key]) return entered
    const lasts = (step.act === 'soak' ? step.seconds : step.aboutS) * 1000
    const begun = { ...entered, soaks: { ...entered.soaks, [key]: { from: now, until: now + lasts } } }
    return step.act === 'wait' && step.watched ? begun : handOn(lanes, begun, now)
  }
  if (step.act !== 'cadence') return entered
  // Taken up again it stands where it was left, and waits for the hands to be at the handle.
  if (entered.cadences[lane.id]) return { ...entered, pausedAt: now }
  // What came up by the clock alone waits for them too: nobody may be there when a soak is over.
  return overByItself(lanes, state)
    ? withCadence({ ...entered, pausedAt: now }, lane.id, { positionS: -leadS, movingSince: null })
    : withCadence(entered, lane.id, { positionS: -leadS, movingSince: now })
}

export const withCadence = (state: RunState, lane: string, cadence: CadenceNow): RunState => ({
  ...state,
  cadences: { ...state.cadences, [lane]: cadence },
})

/** A lane whose strokes are over, or begin anew. */
export function withoutCadence(state: RunState, lane: string): RunState {
  const { [lane]: _, ...cadences } = state.cadences
  return { ...state, cadences }
}

/** Soaks and waits of a lane from a step on, begun anew. */
export function withoutSoaks(state: RunState, lane: Lane, from: number): RunState {
  const soaks = { ...state.soaks }
  for (const one of lane.steps.slice(from)) delete soaks[soakKey(lane.id, one.id)]
  return { ...state, soaks }
}

/** The cadence under the hands stands where it is. */
export function still(state: RunState, now: number): RunState {
  const cadence = state.hand === null ? undefined : state.cadences[state.hand]
  if (!cadence || cadence.movingSince === null) return state
  return withCadence(state, state.hand!, { positionS: positionAt(cadence, now), movingSince: null })
}

export function resumed(state: RunState, now: number): RunState {
  if (state.pausedAt === null) return state
  const cadence = state.hand === null ? undefined : state.cadences[state.hand]
  const since = state.since + (now - state.pausedAt)
  const moving = cadence ? withCadence(state, state.hand!, { ...cadence, movingSince: now }) : state
  return { ...moving, pausedAt: null, since }
}

/** The hands' time at the lane they are at is counted up to now; a wait that needs nobody is not theirs. */
export function clocked(lanes: Lane[], state: RunState, now: number): RunState {
  const lane = laneNow(lanes, state.hand)
  const waits = lane && byItself(lane, state)?.step
  if (!lane || state.hand === null || (waits?.act === 'wait' && !waits.watched)) return state
  const until = state.pausedAt ?? now
  const spent = Math.max(0, until - state.since)
  return { ...state, spent: { ...state.spent, [state.hand]: (state.spent[state.hand] ?? 0) + spent } }
}
