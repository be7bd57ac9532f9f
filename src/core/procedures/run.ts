import { cadenceS, phaseAt } from './cadence.ts'
import type { Lane } from './lanes.ts'
import type { Step, StepOf } from './step.ts'
import { tailS } from './step-seconds.ts'

/** Seconds to get to the handle before the first stroke. */
export const leadS = 3

export interface StepRecord {
  lane: string
  step: string
  how: 'done' | 'skipped' | 'again' | 'taken back' | 'stopped'
  /** Milliseconds since 1970. */
  at: number
  reason?: string
  answer?: string
  value?: number
  /** Name of the photo that was taken. */
  photo?: string
}

/** Where a cadence stands: a place on its own axis of seconds, moving since then or at rest. */
export interface CadenceNow {
  positionS: number
  movingSince: number | null
}

/** A run at one moment. Plain data: it is kept as it is, and taken up again anywhere. */
export interface RunState {
  startedAt: number
  /** Next step of each lane, by lane. */
  at: Record<string, number>
  /** The lane under the hands; none while everything works by itself. */
  hand: string | null
  /** When its step came up. */
  since: number
  cadences: Record<string, CadenceNow>
  /** By `lane step`. */
  soaks: Record<string, { from: number; until: number }>
  records: StepRecord[]
  pausedAt: number | null
  ended: { at: number; how: 'done' | 'stopped' | 'left'; why?: string } | null
}

/** What hands and the clock do to a run. */
export type RunPress =
  | { type: 'done'; answer?: string; value?: number; photo?: string }
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

export const soakKey = (lane: string, step: string): string => `${lane} ${step}`

/** A run as it begins: every lane at its first step. */
export function startRun(lanes: Lane[], at: number): RunState {
  const state: RunState = {
    startedAt: at,
    at: Object.fromEntries(lanes.map(({ id }) => [id, 0])),
    hand: null,
    since: at,
    cadences: {},
    soaks: {},
    records: [],
    pausedAt: null,
    ended: null,
  }
  return handOn(lanes, state, at)
}

export const laneNow = (lanes: Lane[], id: string | null): Lane | null => lanes.find((lane) => lane.id === id) ?? null

/** The step a lane is at; null when it is through. */
export const stepNow = (lane: Lane, state: RunState): Step | null => lane.steps[state.at[lane.id]!] ?? null

/** The step under the hands. */
export function handStep(lanes: Lane[], state: RunState): Step | null {
  const lane = laneNow(lanes, state.hand)
  return lane && stepNow(lane, state)
}

/** Where a cadence stands at a moment; below 0 it has not begun. */
export const positionAt = ({ positionS, movingSince }: CadenceNow, now: number): number =>
  movingSince === null ? positionS : positionS + Math.max(0, now - movingSince) / 1000

/** Lanes that hands could take up: not through, nothing ahead of them open, not soaking. */
export const readyLanes = (lanes: Lane[], state: RunState): Lane[] =>
  lanes.filter((lane) => {
    const step = stepNow(lane, state)
    const free = lane.after.every((id) => stepNow(laneNow(lanes, id)!, state) === null)
    return step !== null && free && !(step.act === 'soak' && state.soaks[soakKey(lane.id, step.id)])
  })

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
  switch (event.type) {
    case 'away':
      return settle(lanes, state, event.at)
    case 'leave':
      return { ...state, ended: { at: event.at, how: 'left', why: event.reason } }
    case 'pause':
      return state.pausedAt !== null ? state : { ...still(state, event.at), pausedAt: event.at }
    case 'resume':
      return resumed(state, event.at)
    case 'take': {
      const other = readyLanes(lanes, state).find(({ id }) => id === event.lane)
      return other && other.id !== state.hand
        ? enter(lanes, { ...still(state, event.at), hand: other.id, pausedAt: null }, event.at)
        : state
    }
    case 'enough': {
      const soaking = laneNow(lanes, event.lane)
      const soak = soaking && stepNow(soaking, state)
      const key = soaking && soak ? soakKey(soaking.id, soak.id) : ''
      const times = state.soaks[key]
      if (!soaking || soak?.act !== 'soak' || !times) return state
      const over = { ...state, soaks: { ...state.soaks, [key]: { ...times, until: event.at } } }
      return handOn(lanes, passed(over, soaking, { how: 'done', at: event.at, reason: 'before its time' }), event.at)
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
      // Past a soak that has been: nobody soaks it twice.
      const steps = lane.steps.slice(0, to + 1)
      const back = steps.findLastIndex(({ act }) => act !== 'soak')
      if (back < 0) return state
      const record: StepRecord = { lane: lane.id, step: lane.steps[back]!.id, how: 'taken back', at: event.at }
      return enter(
        lanes,
        {
          ...withoutCadence(state, lane.id),
          at: { ...state.at, [lane.id]: back },
          records: [...state.records, record],
        },
        event.at,
      )
    }
    case 'skip':
      if (!lane || !step || step.gate || !event.reason.trim()) return state
      return handOn(lanes, passed(state, lane, { how: 'skipped', at: event.at, reason: event.reason.trim() }), event.at)
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
    const { at, value, photo } = event
    const record = { how: 'done' as const, at, ...(value !== undefined && { value }), ...(photo && { photo }) }
    return handOn(lanes, passed(state, lane, record), at)
  }
  const answer = step.answers.find(({ id }) => id === event.answer)
  if (!answer) return state
  const said = { at: event.at, answer: answer.id }
  if (answer.leads === 'pass') return handOn(lanes, passed(state, lane, { how: 'done', ...said }), event.at)
  if (answer.leads === 'stop') {
    const records = [...state.records, { lane: lane.id, step: step.id, how: 'stopped' as const, ...said }]
    return {
      ...still(state, event.at),
      records,
      ended: { at: event.at, how: 'stopped', ...(answer.because && { why: answer.because }) },
    }
  }
  return again(lanes, state, lane, step, answer.from!, said)
}

/** A stretch once more: its soaks and cadences begin anew. */
function again(
  lanes: Lane[],
  state: RunState,
  lane: Lane,
  step: Step,
  from: string,
  said: { at: number; answer?: string; reason?: string },
): RunState {
  const to = lane.steps.findIndex(({ id }) => id === from)
  const soaks = { ...state.soaks }
  for (const one of lane.steps.slice(to, state.at[lane.id]! + 1)) delete soaks[soakKey(lane.id, one.id)]
  const records = [...state.records, { lane: lane.id, step: step.id, how: 'again' as const, ...said }]
  return enter(
    lanes,
    { ...withoutCadence(state, lane.id), soaks, records, at: { ...state.at, [lane.id]: to } },
    said.at,
  )
}

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
      coming.push({ at: until, apply: () => handOn(lanes, passed(state, lane, { how: 'done', at: until }), until) })
    }
  }
  const lane = laneNow(lanes, state.hand)
  const step = lane && stepNow(lane, state)
  if (lane && step?.act === 'cadence') {
    const { positionS, movingSince } = state.cadences[lane.id]!
    if (movingSince !== null) {
      const at = movingSince + (cadenceS(step) - positionS) * 1000
      coming.push({ at, apply: () => handOn(lanes, passed(state, lane, { how: 'done', at }), at) })
    }
  }
  if (lane && step?.act === 'window' && state.pausedAt === null) {
    const at = state.since + step.withinS * 1000
    coming.push({ at, apply: () => again(lanes, state, lane, step, step.from, { at, reason: 'too late' }) })
  }
  return coming.sort((a, b) => a.at - b.at)[0] ?? null
}

/** A lane one step on, with what is to be kept of it. */
function passed(state: RunState, lane: Lane, record: Omit<StepRecord, 'lane' | 'step'>): RunState {
  const step = stepNow(lane, state)!
  return {
    ...withoutCadence(state, lane.id),
    at: { ...state.at, [lane.id]: state.at[lane.id]! + 1 },
    records: [...state.records, { lane: lane.id, step: step.id, ...record }],
  }
}

/**
 * Where the hands go next: they stay with their lane until it soaks or is through; then to the one with most before it.
 * Nothing that moved on by itself takes the hands off what they hold.
 */
function handOn(lanes: Lane[], state: RunState, now: number): RunState {
  if (lanes.every((lane) => stepNow(lane, state) === null))
    return { ...state, hand: null, ended: { at: now, how: 'done' } }
  const lane = laneNow(lanes, state.hand)
  const last = state.records.at(-1)
  const step = lane && stepNow(lane, state)
  const stays = step && !(step.act === 'soak' && state.soaks[soakKey(lane.id, step.id)])
  if (stays) return last && last.lane !== lane.id ? state : enter(lanes, state, now)
  const next = [...readyLanes(lanes, state)].sort((a, b) => tailS(b, state.at[b.id]!) - tailS(a, state.at[a.id]!))[0]
  return next ? enter(lanes, { ...state, hand: next.id }, now) : { ...state, hand: null, since: now }
}

/** A step comes under the hands; one that works by itself lets them go again. */
function enter(lanes: Lane[], state: RunState, now: number): RunState {
  const lane = laneNow(lanes, state.hand)!
  const step = stepNow(lane, state)!
  const entered = { ...state, since: now, pausedAt: null }
  if (step.act === 'soak') {
    const key = soakKey(lane.id, step.id)
    const soaks = { ...state.soaks, [key]: { from: now, until: now + step.seconds * 1000 } }
    return handOn(lanes, { ...entered, soaks }, now)
  }
  if (step.act !== 'cadence') return entered
  // Taken up again it stands where it was left, and waits for the hands to be at the handle.
  const begun = entered.cadences[lane.id]
  return begun ? { ...entered, pausedAt: now } : withCadence(entered, lane.id, { positionS: -leadS, movingSince: now })
}

const withCadence = (state: RunState, lane: string, cadence: CadenceNow): RunState => ({
  ...state,
  cadences: { ...state.cadences, [lane]: cadence },
})

/** A lane whose strokes are over, or begin anew. */
function withoutCadence(state: RunState, lane: string): RunState {
  const { [lane]: _, ...cadences } = state.cadences
  return { ...state, cadences }
}

/** The cadence under the hands stands where it is. */
function still(state: RunState, now: number): RunState {
  const cadence = state.hand === null ? undefined : state.cadences[state.hand]
  if (!cadence || cadence.movingSince === null) return state
  return withCadence(state, state.hand!, { positionS: positionAt(cadence, now), movingSince: null })
}

function resumed(state: RunState, now: number): RunState {
  if (state.pausedAt === null) return state
  const cadence = state.hand === null ? undefined : state.cadences[state.hand]
  const since = state.since + (now - state.pausedAt)
  const moving = cadence ? withCadence(state, state.hand!, { ...cadence, movingSince: now }) : state
  return { ...moving, pausedAt: null, since }
}

/** A cadence nobody watched stands where it was left; soaks went on. */
function standStill(lanes: Lane[], state: RunState, from: number, now: number): RunState {
  const then = settle(lanes, state, from)
  const step = handStep(lanes, then)
  if (then.ended || then.pausedAt !== null || (step?.act !== 'cadence' && step?.act !== 'window'))
    return settle(lanes, then, now)
  return { ...still(then, from), pausedAt: from }
}

/** Whether a step is a cadence. */
export const isCadence = (step: Step | null): step is StepOf<'cadence'> => step?.act === 'cadence'
