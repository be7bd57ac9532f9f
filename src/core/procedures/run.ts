import { cadenceS, phaseAt } from './cadence.ts'
import type { Lane } from './lane.ts'
import { settle, standStill } from './run-clock.ts'
import {
  again,
  clocked,
  enter,
  handOn,
  passed,
  resumed,
  still,
  withCadence,
  withoutCadence,
  withoutSoaks,
} from './run-moves.ts'
import {
  type FittedPart,
  laneNow,
  movedOnByItself,
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

/** What hands and the clock do to a run. */
export type RunPress =
  | { type: 'done'; answer?: string; value?: number; photo?: string; fitted?: FittedPart[] }
  | { type: 'skip'; reason: string }
  | { type: 'back' }
  | { type: 'pause' }
  | { type: 'resume' }
  /** To the next stretch of the cadence. */
  | { type: 'phase' }
  /** Another lane that is ready. */
  | { type: 'take'; lane: string }
  /** A soak has had enough before its time. */
  | { type: 'enough'; lane: string }
  /** Nobody watched since then: the water was not moved either. */
  | { type: 'away'; from: number }
  | { type: 'leave'; reason: string }

export type RunEvent = { at: number } & RunPress

/** A hand needs this long to see that another step has come up; a press before was meant for the one before. */
export const seenAfterMs = 500

/** A run as it begins: every lane at its first step. */
export function startRun(lanes: Lane[], at: number): RunState {
  const state: RunState = {
    startedAt: at,
    at: Object.fromEntries(lanes.map(({ id }) => [id, 0])),
    hand: null,
    since: at,
    cadences: {},
    soaks: {},
    spent: {},
    records: [],
    pausedAt: null,
    ended: null,
  }
  return handOn(lanes, state, at)
}

/**
 * The run after an event. Whatever time alone has done by then is done first.
 *
 * @returns the same state where the event means nothing there: a gate is not skipped, a run that ended stays ended
 */
export function runStep(lanes: Lane[], before: RunState, event: RunEvent): RunState {
  // What nobody watched did not go on by itself.
  const state =
    event.type === 'away' ? standStill(lanes, before, event.from, event.at) : settle(lanes, before, event.at)
  if (state.ended) return state
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  const forWhatStandsHere = event.type === 'done' || event.type === 'skip' || event.type === 'phase'
  if (forWhatStandsHere && event.at - state.since < seenAfterMs && movedOnByItself(lanes, state)) return state
  switch (event.type) {
    case 'away':
      return settle(lanes, state, event.at)
    case 'leave':
      return { ...clocked(lanes, state, event.at), ended: { at: event.at, how: 'left', why: event.reason } }
    case 'pause':
      return state.pausedAt !== null ? state : { ...still(state, event.at), pausedAt: event.at }
    case 'resume':
      return resumed(state, event.at)
    case 'take': {
      const other = readyLanes(lanes, state).find(({ id }) => id === event.lane)
      return other && other.id !== state.hand
        ? enter(
            lanes,
            { ...still(clocked(lanes, state, event.at), event.at), hand: other.id, pausedAt: null },
            event.at,
          )
        : state
    }
    case 'enough': {
      const soaking = laneNow(lanes, event.lane)
      const soak = soaking && stepNow(soaking, state)
      const key = soaking && soak ? soakKey(soaking.id, soak.id) : ''
      const times = state.soaks[key]
      if (!soaking || soak?.act !== 'soak' || !times) return state
      const over = { ...state, soaks: { ...state.soaks, [key]: { ...times, until: event.at } } }
      return handOn(
        lanes,
        passed(lanes, over, soaking, { how: 'done', at: event.at, reason: 'before its time' }),
        event.at,
      )
    }
    case 'phase': {
      if (!lane || step?.act !== 'cadence') return state
      const now = state.cadences[lane.id]!
      const position = positionAt(now, event.at)
      const next = position < 0 ? 0 : (phaseAt(step, position)?.toS ?? cadenceS(step))
      return settle(
        lanes,
        withCadence(state, lane.id, { positionS: next, movingSince: now.movingSince === null ? null : event.at }),
        event.at,
      )
    }
    case 'back': {
      if (!lane) return state
      const to = state.at[lane.id]! - 1
      // Past a soak or a programme that has been: nobody runs it twice by looking back.
      const steps = lane.steps.slice(0, to + 1)
      const back = steps.findLastIndex(({ act }) => act !== 'soak' && act !== 'wait')
      if (back < 0) return state
      // What another lane has meanwhile is not to be had again by going back.
      const there = { ...state, at: { ...state.at, [lane.id]: back } }
      if (inTheWay(lanes, lane, standingOf(withoutCadence(there, lane.id)))) return state
      const record: StepRecord = { lane: lane.id, step: lane.steps[back]!.id, how: 'taken back', at: event.at }
      return enter(
        lanes,
        {
          ...withoutCadence(withoutSoaks(state, lane, back), lane.id),
          at: { ...state.at, [lane.id]: back },
          records: [...state.records, record],
        },
        event.at,
      )
    }
    case 'skip':
      if (!lane || !step || step.gate || !event.reason.trim()) return state
      return handOn(
        lanes,
        passed(lanes, state, lane, { how: 'skipped', at: event.at, reason: event.reason.trim() }),
        event.at,
      )
    case 'done':
      return lane && step ? done(lanes, state, lane, step, event) : state
  }
}

function done(
  lanes: Lane[],
  state: RunState,
  lane: Lane,
  step: Step,
  event: Extract<RunEvent, { type: 'done' }>,
): RunState {
  // Strokes are over when they are over; a reading needs its figure.
  if (step.act === 'cadence' || (step.act === 'measure' && event.value === undefined)) return state
  if (step.act !== 'check') {
    const { at, value, photo, fitted } = event
    const record = {
      how: 'done' as const,
      at,
      ...(value !== undefined && { value }),
      ...(photo && { photo }),
      ...(fitted && { fitted }),
    }
    return handOn(lanes, passed(lanes, state, lane, record), at)
  }
  const answer = step.answers.find(({ id }) => id === event.answer)
  if (!answer) return state
  const said = { at: event.at, answer: answer.id, ...(event.fitted && { fitted: event.fitted }) }
  if (answer.leads === 'pass') return handOn(lanes, passed(lanes, state, lane, { how: 'done', ...said }), event.at)
  if (answer.leads === 'stop') {
    const records = [...state.records, { lane: lane.id, step: step.id, how: 'stopped' as const, ...said }]
    return {
      ...still(clocked(lanes, state, event.at), event.at),
      records,
      ended: { at: event.at, how: 'stopped', ...(answer.because && { why: answer.because }) },
    }
  }
  return again(lanes, state, lane, step, answer.from!, said)
}
